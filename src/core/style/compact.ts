/** Rules without the white space that only people need; texts in quotes stay as they are. */
export function compact(css: string): string {
  return css
    .split(/("[^"]*")/)
    .map((part, at) => (at % 2 === 1 ? part : tight(part)))
    .join('')
    .trimStart();
}

function tight(css: string): string {
  return (
    css
      .replace(/\s+/g, ' ')
      .replace(/ ?([{};,]) ?/g, '$1')
      .replace(/([\w-]): /g, '$1:')
      .replaceAll(' > ', '>')
      // Beside a class it stands in a selector; in a sum it needs its spaces.
      .replace(/ \+ (?=[.*])/g, '+')
      .replaceAll(' / ', '/')
      .replaceAll(';}', '}')
      .replace(/([:, (/-])0\.(?=\d)/g, '$1.')
  );
}
