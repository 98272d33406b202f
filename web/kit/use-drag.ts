/** A place in the units of an SVG's view box. */
export interface DrawnPlace {
  readonly x: number;
  readonly y: number;
}

let gestures = 0;

/**
 * Follows a pointer from its press on an element until it is let go: `move` gets where it is in the units of the SVG that
 * the element is in, and the gesture's own name (one undo for all of it). One move a frame.
 */
export function dragFrom(
  event: PointerEvent,
  move: (place: DrawnPlace, gesture: string) => void,
  done: () => void = () => undefined,
): void {
  const target = event.currentTarget as SVGElement;
  const svg = target.ownerSVGElement ?? (target as SVGSVGElement);
  const gesture = `drag-${++gestures}`;
  let last: PointerEvent | null = null;
  let frame = 0;
  const send = (): void => {
    frame = 0;
    const matrix = svg.getScreenCTM();
    if (!last || !matrix) return;
    const { x, y } = new DOMPoint(last.clientX, last.clientY).matrixTransform(matrix.inverse());
    last = null;
    move({ x, y }, gesture);
  };
  const onMove = (moved: PointerEvent): void => {
    if (moved.pointerId !== event.pointerId) return;
    last = moved;
    if (!frame) frame = requestAnimationFrame(send);
  };
  const onEnd = (ended: PointerEvent): void => {
    if (ended.pointerId !== event.pointerId) return;
    cancelAnimationFrame(frame);
    send();
    target.removeEventListener('pointermove', onMove);
    target.removeEventListener('pointerup', onEnd);
    target.removeEventListener('pointercancel', onEnd);
    done();
  };
  target.setPointerCapture(event.pointerId);
  target.addEventListener('pointermove', onMove);
  target.addEventListener('pointerup', onEnd);
  target.addEventListener('pointercancel', onEnd);
  event.preventDefault();
}

/** Where a pointer is in the units of the SVG that an element is in. */
export function placeIn(event: PointerEvent | MouseEvent): DrawnPlace | null {
  const target = event.currentTarget as SVGElement;
  const matrix = (target.ownerSVGElement ?? (target as SVGSVGElement)).getScreenCTM();
  return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : null;
}
