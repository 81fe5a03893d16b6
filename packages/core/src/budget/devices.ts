import { itemAt } from '../assert/index.ts';
/** Classes of devices, relative to the machine that measures: what its main thread does takes so many times as long. */
export interface DeviceClass {
  id: string;
  name: string;
  /** slow-down of the main thread */
  slower: number;
  dpr: number;
}

/** Chosen by us; nobody’s machine is a class, so each says what it is relative to. */
export const DEVICES: readonly DeviceClass[] = [
  { id: 'here', name: 'This machine', slower: 1, dpr: 1 },
  { id: 'laptop', name: 'Old laptop · 2× slower', slower: 2, dpr: 1 },
  { id: 'phone', name: 'Mid phone · 4× slower', slower: 4, dpr: 1 },
  { id: 'slow-phone', name: 'Slow phone · 6× slower', slower: 6, dpr: 1 },
];
export const deviceById = (id: string): DeviceClass => DEVICES.find((d) => d.id === id) ?? itemAt(DEVICES, 0);
