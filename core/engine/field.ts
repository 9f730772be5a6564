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
