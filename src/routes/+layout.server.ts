import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ cookies }) => ({ dark: cookies.get('surround') === 'dark' });
