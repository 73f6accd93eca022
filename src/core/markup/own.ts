/** By these a style sheet, and a script, are known as Kamino's: the script asks whether it is there already. */
export const styleSignature = '/* Kamino wrote this';
export const scriptSignature = '(()=>{if(!document.dispatchEvent(new Event("kamino"';

export function isOwnStyle(text: string): boolean {
  return text.startsWith(styleSignature);
}

export function isOwnScript(text: string): boolean {
  return text.startsWith(scriptSignature);
}

/** A file of Kamino’s whose name says its content. */
const hashedName = /^kamino\/[a-z0-9-]+-([0-9a-f]{10})(?:@2x)?\.(?:png|webp|svg|css|js)$/;

/** The content that the name of a packed picture, or of another file of Kamino’s, stands for; null for other files. */
export const namedHash = (path: string): string | null => hashedName.exec(path)?.[1] ?? null;

/** A sheet of Kamino's that lies in a site is no page of it. */
export const sheetStart = '<!doctype html>\n<!-- Kamino wrote this sheet. It is no page of the site. -->\n';

export function isOwnSheet(text: string): boolean {
  return text.startsWith(sheetStart);
}
