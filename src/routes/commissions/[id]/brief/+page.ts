export const load = () => ({ place: 'Brief' });
