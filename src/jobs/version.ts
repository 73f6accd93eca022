export { version } from '../files/version.ts';
