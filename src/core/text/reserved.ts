/** Names that Kamino keeps for itself: what a part of a page that is no menu says in `data-kamino`. */
export const reservedNames = ['style', 'script', 'skip', 'top', 'viewport'] as const;
export type ReservedName = (typeof reservedNames)[number];
