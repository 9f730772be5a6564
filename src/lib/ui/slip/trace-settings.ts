import type { TraceOptions } from '$core/trace';

export type Settings = { -readonly [K in keyof TraceOptions]: TraceOptions[K] };

const WORDS: Readonly<Partial<Record<keyof TraceOptions, string>>> = {
  colours: 'inks',
  ground: 'ground',
  stacking: 'stacking',
  speckPx2: 'specks under',
  smoothness: 'smoothness',
  symmetry: 'symmetry',
  gradients: 'gradients',
};

const inWords = (value: unknown): string =>
  value === true
    ? 'on'
    : value === false || value === undefined
      ? 'off'
      : typeof value === 'object'
        ? 'others'
        : String(value);

/** What changed between two settings of the trace, in a few words: "smoothness 40 to 55". */
export function settingsTold(before: Settings, after: Settings): string {
  const names = (Object.keys({ ...before, ...after }) as (keyof TraceOptions)[]).filter(
    (k) => JSON.stringify(before[k]) !== JSON.stringify(after[k]),
  );
  const told = (name: keyof TraceOptions) => WORDS[name] ?? name;
  if (names.length !== 1) return names.map(told).join(', ');
  const [name] = names;
  return `${told(name)} ${inWords(before[name])} to ${inWords(after[name])}`;
}
