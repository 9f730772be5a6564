export function backup(databaseUrl: string, file: string): Promise<number>;
export function restore(databaseUrl: string, file: string): Promise<string | null>;
