/** Kamino's own style sheet, in the output or the site. */
export const ownStyle = 'kamino/menu.css';

/** What the plan says as `output` where the pages themselves are changed. */
export const inPlace = 'in-place';
