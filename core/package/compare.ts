/** What changed from one package to the next. */

/** A file of a package that was made. */
export interface PackedAs {
  readonly name: string;
  /** Of its bytes. */
  readonly sha256: string;
}

export interface PackageChanges {
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly removed: readonly string[];
}

/** Names of files that are new, have other bytes, or are not there any more, each in its package's order. */
export function comparePackages(before: readonly PackedAs[], after: readonly PackedAs[]): PackageChanges {
  const was = new Map(before.map((f) => [f.name, f.sha256]));
  const is = new Set(after.map((f) => f.name));
  return {
    added: after.filter((f) => !was.has(f.name)).map((f) => f.name),
    changed: after.filter((f) => was.has(f.name) && was.get(f.name) !== f.sha256).map((f) => f.name),
    removed: before.filter((f) => !is.has(f.name)).map((f) => f.name),
  };
}
