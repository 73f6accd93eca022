/** A page with room for a menu in its header, whose style sheet is `site.css`. @param more in its head, header and footer */
export const styledPage = (
  title: string,
  main: string,
  { head = '', header = '', footer = '' } = {},
): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title>
<link rel="stylesheet" href="site.css">${head}</head>\n<body><header>${header}</header><main id="main"><h1>${title}</h1>${main}</main><footer>${footer}</footer></body></html>\n`;
