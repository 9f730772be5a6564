/** Text made safe inside XML elements and attributes; characters that XML forbids are dropped. */
export const escapeXml = (text: string): string =>
  text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A name as an XML id: letters, digits and hyphens, starting with a letter. */
export const idOf = (name: string): string => {
  const id = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return /^[a-z]/.test(id) ? id : `ink-${id || 'x'}`;
};
