/** Where the bump stop that ends the travel sits: in the strut or coil-over, or on the frame against arm or axle, or against the spring pack. */
export const STOP_PLACES = ['insideStrut', 'frame', 'springPack'] as const;
export type StopPlace = (typeof STOP_PLACES)[number];

/** What a corner says of its stop; nothing where nobody looked. */
interface StopSaid {
  readonly travel: { readonly stopSits?: StopPlace | undefined };
}

/** Whether a spacer on top of the strut brings its stop down with it; where nobody looked it does not, so that nothing is promised. */
export const strutStops = ({ travel }: StopSaid): 'inStrut' | 'onFrame' =>
  travel.stopSits === 'insideStrut' ? 'inStrut' : 'onFrame';

/** What the stop meets of an axle on leaves; where nobody looked the axle, which a block does not bring nearer. */
export const blockStop = ({ travel }: StopSaid): 'axle' | 'springPack' =>
  travel.stopSits === 'springPack' ? 'springPack' : 'axle';
