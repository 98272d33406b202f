import { expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { DocumentReceiver, DocumentSender } from './document-wire';

const { document } = demoJobs().at(-1)!;

test('corners travel once, and again only when they are others', () => {
  const sender = new DocumentSender();
  const receiver = new DocumentReceiver();
  const travel = (file: typeof document) => {
    const wired = sender.wire(file);
    return { wired, got: receiver.unwire(structuredClone(wired)) };
  };
  const first = travel(document);
  expect(first.wired.corners).toBe(document.corners);
  const tried = { ...document, envelope: 'street' as const };
  const second = travel(tried);
  expect(second.wired.corners).toBeNull();
  expect(second.got).toEqual(tried);
  // What the worker kept for a corner is found again by the object itself.
  expect(second.got.corners).toBe(first.got.corners);
  const resurveyed = { ...document, corners: { frontLeft: document.corners.frontLeft } };
  expect(travel(resurveyed).got).toEqual(resurveyed);
});
