/** Leaves what a script found for the program that opened the page, in an attribute of the page's root. */
export function leave(name: string, found: unknown): void {
  document.documentElement.setAttribute(`data-kamino-${name}`, encodeURIComponent(JSON.stringify(found)));
}
