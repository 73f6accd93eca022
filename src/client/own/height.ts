import { leave } from './leave.ts';

/** Runs in a sheet that a picture is taken of. */
addEventListener('load', () => {
  leave('height', document.documentElement.scrollHeight);
});
