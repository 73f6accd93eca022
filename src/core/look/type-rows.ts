/** Properties of type, and the keys that they come from. */
export const typeRows = [
  ['word-spacing', 'wordSpacing'],
  ['font-style', 'style'],
  ['text-transform', 'transform'],
  ['line-height', 'line'],
] as const;
