import { parts } from '../markup/names.ts';
import { hairline } from './arrange.ts';
import { topEntry, topList } from './parts.ts';

/** @param own the class of the menu. The current tab is open to what lies below; a line runs under all others, and on to the end of the row. */
export const tabs = (own: string): string => `${own} .${parts.room} {
  align-items: stretch;
  gap: 0;
}
${own} .${parts.room}>.${parts.home} {
  margin: 0 0 -1px;
  border-end-start-radius: 0;
  border-end-end-radius: 0;
}
${own} ${topList} {
  flex: 1 1 auto;
  gap: 0;
  align-items: stretch;
}
${own} ${topList}:not(:has(> .${parts.apart}))::after {
  content: "";
  flex: 1 1 0;
  box-shadow: inset 0 -1px ${hairline};
}
.${parts.menu}${own} .${parts.entry}.${parts.apart} {
  flex: 1 1 auto;
  justify-content: flex-end;
  margin: 0;
}
${own} ${topEntry},
${own} .${parts.room}>.${parts.home} {
  box-shadow: inset 0 -1px ${hairline};
}
${own} ${topEntry}>.${parts.link} {
  border-end-start-radius: 0;
  border-end-end-radius: 0;
}
${own} ${topEntry}:has(> [aria-current]),
${own} ${topList}>.${parts.within} {
  border: 1px solid ${hairline};
  border-block-end: 0;
  border-start-start-radius: var(--kamino-radius);
  border-start-end-radius: var(--kamino-radius);
  margin: -1px -1px 0;
  padding-inline: 0;
  box-shadow: none;
}
.${parts.menu}${own} ${topEntry}>.${parts.link}.${parts.link}::after {
  inset-block: 0 auto;
  inset-inline: 0;
  block-size: 0.18em;
}
`;
