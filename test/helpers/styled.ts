/** A plan for such pages, with a masthead in their headers. @param rest its entries, and what comes behind them */
export const styledPlan = (fold: string, rest: string): string => `kamino: 1
output: built
menus:
  - menu: masthead
    title: Main
    place: { first-in: header }
    fold: ${fold}
${rest}`;

/** A page with room for a menu in its header, whose style sheet is `site.css`. @param more in its head, header and footer */
export const styledPage = (
  title: string,
  main: string,
  { head = '', header = '', footer = '' } = {},
): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title>
<link rel="stylesheet" href="site.css">${head}</head>\n<body><header>${header}</header><main id="main"><h1>${title}</h1>${main}</main><footer>${footer}</footer></body></html>\n`;
