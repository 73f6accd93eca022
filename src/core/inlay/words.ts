/** Kamino's own words in a page. */
export interface Words {
  skip: string;
  /** On the toggle of a folded menu. */
  menu: string;
  newWindow: string;
  previous: string;
  next: string;
  /** Names the opener beside a link. */
  below: (label: string) => string;
}

export const english: Words = {
  skip: 'Skip to the main content',
  menu: 'Menu',
  newWindow: 'new window',
  previous: 'Previous',
  next: 'Next',
  below: label => `${label}: more pages`,
};
