import { onBeforeUnmount, ref, shallowRef } from 'vue';
import { deviceListSchema, gaugeEventSchema, type Device } from '@/contracts/device-api';

/** `off`: not asked for. `linking`: trying, again and again. `dead`: linked, its battery is empty. */
export type GaugeState = 'off' | 'linking' | 'linked' | 'dead';

/** ms before a broken stream is opened again. */
const AGAIN_MS = 1000;

/** ms without a value after which what it shows is no longer believed. */
const STALE_MS = 2000;

/** A gap gauge held by the server: its state, what it shows, and its button. Links again by itself. */
export function useGauge(taken: (mm: number) => void) {
  const state = ref<GaugeState>('off');
  const shown = ref<number | null>(null);
  const battery = ref(1);
  const device = shallowRef<Device | null>(null);
  let stream: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let stale: ReturnType<typeof setTimeout> | undefined;

  const isOff = (): boolean => state.value === 'off';

  async function start(): Promise<void> {
    state.value = 'linking';
    try {
      const { devices } = deviceListSchema.parse(await (await fetch('/api/devices')).json());
      device.value = devices.find(({ kind }) => kind === 'gauge') ?? null;
    } catch {
      device.value = null;
    }
    if (isOff()) return;
    if (device.value) link(device.value.id);
    else again();
  }

  function link(id: string): void {
    stream?.close();
    stream = new EventSource(`/api/devices/${encodeURIComponent(id)}/stream`);
    stream.onmessage = (message) => hear(message.data as string);
    stream.onerror = () => {
      // A refused stream would not be tried again by the browser itself.
      stream?.close();
      stream = null;
      shown.value = null;
      if (state.value !== 'off') again();
    };
  }

  function again(): void {
    state.value = 'linking';
    clearTimeout(timer);
    timer = setTimeout(() => void start(), AGAIN_MS);
  }

  function hear(data: string): void {
    const event = gaugeEventSchema.safeParse(JSON.parse(data));
    if (!event.success) return;
    if (event.data.type === 'state') {
      battery.value = event.data.battery;
      state.value = event.data.dead ? 'dead' : 'linked';
      if (event.data.dead) shown.value = null;
      return;
    }
    state.value = 'linked';
    shown.value = event.data.mm;
    clearTimeout(stale);
    stale = setTimeout(() => (shown.value = null), STALE_MS);
    if (event.data.type === 'taken') taken(event.data.mm);
  }

  function stop(): void {
    state.value = 'off';
    clearTimeout(timer);
    clearTimeout(stale);
    stream?.close();
    stream = null;
    shown.value = null;
  }

  onBeforeUnmount(stop);
  return { state, shown, battery, device, start, stop };
}
