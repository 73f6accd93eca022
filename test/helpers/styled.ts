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

/** Two pages of the kind, a masthead of which one entry opens something, and what they share. */
export const styledSite = (fold: string): Record<string, string> => ({
  'kamino.yaml': styledPlan(
    fold,
    `    entries: [index.html, { page: visit.html, entries: ["visit.html#hours"] }]\n`,
  ),
  'site.css': 'body { margin: 0; font: 16px sans-serif }',
  'index.html': styledPage('Observatory', '<p><a href="visit.html">Come</a></p>'),
  'visit.html': styledPage('Visit', '<h2 id="hours">Hours</h2>'),
});
