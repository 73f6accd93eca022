import { expect, it } from '@jest/globals';
import type { ComputedLook } from '../../../src/core/draft/computed-look.ts';
import { lookFromBrowser } from '../../../src/core/draft/old-look.ts';

const bare: ComputedLook = {
  background: null,
  isOver: false,
  linkBackground: null,
  pageBackground: null,
  color: 'rgb(0, 0, 0)',
  fontFamily: 'serif',
  fontSize: '16px',
  fontWeight: '400',
  textTransform: 'none',
  letterSpacing: 'normal',
  rootSize: '16px',
  margins: null,
  aroundFamily: 'serif',
  aroundSize: '16px',
  aroundColor: 'rgb(0, 0, 0)',
  aroundGround: null,
  border: null,
  padding: ['6px', '0px', '6px', '0px'],
  room: [0, 0],
  touches: false,
  line: null,
  height: 20,
  radius: '0px',
  even: null,
  pushed: null,
  home: null,
  isTabs: false,
  corners: '0px',
  shadow: null,
  align: null,
  apart: 0,
  pitch: 0,
  box: { width: 0, sides: [16, 16], isRow: false },
  grounds: [],
  button: null,
};

it('keeps the words of a bar apart that signs stood between, and lets them begin where they began', () => {
  const { padding, frame } = lookFromBrowser(bare);
  expect([padding, frame?.padding]).toEqual(['0.38rem 0.45rem', '0 0.55rem']);
  const roomy = lookFromBrowser({ ...bare, padding: ['6px', '12px', '6px', '12px'] });
  expect([roomy.padding, roomy.frame?.padding]).toEqual(['0.38rem 0.75rem', '0 1rem']);
  // Below each other a mark stands beside them.
  expect(lookFromBrowser({ ...bare, pitch: 30 }).padding).toBe('0.26rem 0.65rem');
  expect(lookFromBrowser({ ...bare, padding: ['0px', '0px', '0px', '0px'] }).padding).toBeNull();
});
