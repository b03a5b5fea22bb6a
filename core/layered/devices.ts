/** A common size of a screen, held upright or as it stands, in CSS px. */
export interface Device {
  name: string;
  width: number;
  height: number;
}

/** Sizes that screens commonly have, by class of device, narrow to wide (common practice; from memory). */
export const DEVICES: readonly Device[] = [
  { name: 'Small phone', width: 320, height: 568 },
  { name: 'Compact phone', width: 360, height: 780 },
  { name: 'Phone', width: 390, height: 844 },
  { name: 'Large phone', width: 430, height: 932 },
  { name: 'Folding phone, open', width: 673, height: 841 },
  { name: 'Small tablet', width: 744, height: 1133 },
  { name: 'Tablet', width: 820, height: 1180 },
  { name: 'Large tablet', width: 1024, height: 1366 },
  { name: 'Laptop', width: 1280, height: 800 },
  { name: 'Large laptop', width: 1512, height: 982 },
  { name: 'Desktop', width: 1680, height: 1050 },
  { name: 'Full high definition', width: 1920, height: 1080 },
  { name: 'Large desktop', width: 2560, height: 1440 },
];
