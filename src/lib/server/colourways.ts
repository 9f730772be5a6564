import { colourwaysOf, depthInks } from '$core/vector';
import type { OtherColourway } from '../contract/answers';
import { getArtwork } from './artworks';
import { sql } from './database';

/** No more artworks than this are looked through, the newest first. */
const MOST = 60;

/** The colourways of all artworks of other commissions, to take colours from. */
export async function otherColourways(commissionId: string): Promise<OtherColourway[]> {
  const works = await sql<{ id: string; commission: string }>(
    `select w.id, c.name as commission from work w join commission c on c.id = w.commission_id
     where w.kind = 'artwork' and w.commission_id <> $1 order by w.created_at desc, w.id limit ${MOST}`,
    [commissionId],
  );
  const out: OtherColourway[] = [];
  for (const { id, commission } of works) {
    const { name, drawing } = await getArtwork(id);
    // Light and shadow of its depth are no colours of a mark.
    const depth = depthInks(drawing);
    for (const own of colourwaysOf(drawing)) {
      const hexes = own.hexes.filter((_, k) => !depth.has(drawing.inks[k].id));
      if (hexes.length) out.push({ workId: id, commission, artwork: name, colourwayId: own.id, name: own.name, hexes });
    }
  }
  return out;
}
