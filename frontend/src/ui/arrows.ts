/** The arrow keys as steps across and down. */
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

export function arrow(key: string): readonly [number, number] | undefined {
  return ARROWS[key];
}
