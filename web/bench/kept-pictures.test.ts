import { expect, test } from '@jest/globals';
import { KeptPictures } from './kept-pictures';

test('pictures are kept by what they follow from, the newest four of each kind', () => {
  const kept = new KeptPictures();
  for (let i = 0; i < 5; i++) kept.keep('swept', `state ${i}`, null);
  expect(kept.get('swept', 'state 0')).toBeUndefined();
  expect(kept.get('swept', 'state 1')).toBeNull();
  expect(kept.get('swept', 'state 4')).toBeNull();
  expect(kept.get('map', 'state 4')).toBeUndefined();
  // One that is drawn again counts as new.
  kept.keep('swept', 'state 1', null);
  kept.keep('swept', 'state 5', null);
  expect(kept.get('swept', 'state 2')).toBeUndefined();
  expect(kept.get('swept', 'state 1')).toBeNull();
});
