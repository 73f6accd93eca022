/** Kamino's own style sheet and script, in the output or the site. */
export const ownStyle = 'kamino/menu.css';
export const ownScript = 'kamino/menu.js';
export const ownPaths = [ownStyle, ownScript];

/** Where `kamino specimen` writes to by itself, and where people have the report of a walk. */
export const specimenFile = 'specimen.html';
export const ownSheets = [specimenFile, 'walk.html'];

/** What the plan says as `output` where the pages themselves are changed. */
export const inPlace = 'in-place';
