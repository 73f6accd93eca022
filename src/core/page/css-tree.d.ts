// Its parts by themselves, which load without the tables of its grammar.
declare module 'css-tree/parser' {
  import type { parse as whole } from 'css-tree';
  const parse: typeof whole;
  export default parse;
}
declare module 'css-tree/walker' {
  import type { walk as whole } from 'css-tree';
  const walk: typeof whole;
  export default walk;
}
declare module 'css-tree/generator' {
  import type { generate as whole } from 'css-tree';
  const generate: typeof whole;
  export default generate;
}
