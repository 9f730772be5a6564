import { hexToOklab, oklabDistance } from '../colour';
import { ownHexes } from './dye';
import { clearest } from './palette';
import type { Stage } from './stage';

/** Colours for what stands on a field of the first ink. */
export const onField = (stage: Stage, field = stage.palette.inks[0]): readonly string[] => {
  const others = [...stage.palette.inks.filter((i) => i !== field), stage.palette.groundHex];
  const lead = clearest(field, others);
  return [lead, ...others.filter((i) => i !== lead)];
};

/** A stage on another colour, with other inks. */
export const recoloured = (stage: Stage, groundHex: string, inks: readonly string[]): Stage => ({
  ...stage,
  palette: { ...stage.palette, groundHex, inks },
});

/** Fields that nearly everything is seen on, the dark one first. */
const FIELDS = ['#1F2A44', '#F1E4C8', '#14424F', '#F4D9C6', '#3F2A56'];

/** A stage whose first ink, which a badge or an app icon is of, sets off the colours that are said of single figures. */
export function withField(stage: Stage): Stage {
  const { isToldApart, inks, groundHex, strict } = stage.palette;
  const said = isToldApart ? stage.parts.figures.flatMap((f) => ownHexes(f.colours, groundHex)) : [];
  if (!said.length || strict) return stage;
  const gap = (hex: string): number => Math.min(...said.map((q) => oklabDistance(hexToOklab(hex), hexToOklab(q))));
  const apart = inks.filter((hex) => gap(hex) > 0.24);
  const field = apart[0] ?? FIELDS.reduce((p, q) => (gap(q) > gap(p) + 0.03 ? q : p));
  return { ...stage, palette: { ...stage.palette, inks: [field, ...apart.slice(1), ...inks.filter((hex) => !apart.includes(hex))] } }; // prettier-ignore
}
