/** What a part of a page that is no menu says in `data-kamino`. */
export const reserved = { style: 'style', script: 'script', skip: 'skip', top: 'top' } as const;
