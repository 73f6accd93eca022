/** Kamino's own words in a page. */
export interface Words {
  skip: string;
}

export const english: Words = { skip: 'Skip to the main content' };
