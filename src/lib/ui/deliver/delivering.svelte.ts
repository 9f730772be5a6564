import { bytesOf, FORS, type For, type Look, type PackageCheck, type PackageSets } from '$core/package';
import type { Commission, Delivery, LookFacts, PackableFile, PackableWork, PackagePlan, WorkState } from '$lib/contract/answers'; // prettier-ignore
import { ask } from '$lib/ui/api';
import { forget, keep, kept } from '$lib/ui/kept';
import { notices } from '$lib/ui/notices.svelte';

/** One line of the table: a look of a work. */
export interface Line {
  readonly key: string;
  readonly work: PackableWork;
  readonly look: Look;
}

/** What is looked at in place of the table. */
export interface Looked {
  readonly line: Line;
  /** What was found there; null to see the look alone. */
  readonly check: PackageCheck | null;
  /** A movement, as the address of its SVG. */
  readonly motion?: string;
}

interface Kept {
  readonly ticks: Readonly<Record<string, readonly For[]>> | null;
  readonly sheet: boolean;
  readonly sets: Partial<PackageSets>;
  readonly note: string;
}

const FRESH: Kept = { ticks: null, sheet: true, sets: {}, note: '' };

export const lineKey = (workId: string, look: string): string => `${workId} ${look}`;

/** What is wanted of a commission's works: ticked, told in files and sizes, looked at before anything is made. What was ticked outlives a reload. */
export class Delivering {
  plan: PackagePlan = $state.raw()!;
  /** What is wanted of each line; a line that is not here is wanted for nothing. */
  ticks: Record<string, readonly For[]> = $state({});
  isSheetWanted = $state(true);
  sets: Partial<PackageSets> = $state.raw({});
  note = $state('');
  looked: Looked | null = $state.raw(null);
  /** The set whose form is open. */
  opened: For | null = $state(null);
  facts: Record<string, LookFacts> = $state.raw({});
  /** The delivery that the client had last, with its files. */
  last: Delivery | null = $state.raw(null);
  private asking = false;
  private readonly place: string;

  constructor(
    private readonly data: () => {
      readonly artwork: WorkState;
      readonly plan: PackagePlan;
      readonly deliveries: readonly Delivery[];
      readonly commission: Commission;
    },
    /** A colourway that one comes for. */
    wanted: string | null,
  ) {
    const { artwork, plan, commission, deliveries } = data();
    this.plan = plan;
    this.place = `odd-quill-deliver-${commission.id}`;
    const before = kept(this.place, FRESH);
    const asked = deliveries.find((d) => d.state === 'done' && d.asked)?.asked;
    const known = this.lines.map((l) => l.key);
    const fromLast = asked && Object.fromEntries(asked.rows.map((r) => [lineKey(r.workId, r.look.key), r.for]));
    const ticks = before?.ticks ?? fromLast ?? Object.fromEntries(plan.works.flatMap((w) => w.looks.map((l) => [lineKey(w.workId, l.look.key), l.for]))); // prettier-ignore
    this.ticks = Object.fromEntries(Object.entries(ticks).filter(([key]) => known.includes(key)));
    this.isSheetWanted = before?.sheet ?? (asked ? asked.rows.some((r) => r.for.includes('sheet')) : true);
    this.sets = before?.sets ?? {};
    this.note = before?.note ?? '';
    const key = wanted && lineKey(artwork.id, wanted);
    if (key && known.includes(key) && !this.ticks[key]?.length) this.ticks[key] = ['print', 'web', 'developers'];
  }

  get lines(): Line[] {
    return this.plan.works.flatMap((work) =>
      work.looks.map(({ look }) => ({ key: lineKey(work.workId, look.key), work, look })),
    );
  }

  wants(key: string, purpose: For): boolean {
    return this.ticks[key]?.includes(purpose) ?? false;
  }

  tick(keys: readonly string[], purposes: readonly For[], on: boolean): void {
    for (const key of keys) {
      const own = this.ticks[key] ?? [];
      this.ticks[key] = FORS.filter((f) => (purposes.includes(f) ? on : own.includes(f)));
    }
    this.remember();
  }

  remember(): void {
    const { ticks, isSheetWanted: sheet, sets, note } = this;
    keep(this.place, { ticks: $state.snapshot(ticks), sheet, sets, note });
  }

  /** As it was before anything was ticked here. */
  begin(): void {
    forget(this.place);
    this.ticks = Object.fromEntries(this.plan.works.flatMap((w) => w.looks.map((l) => [lineKey(w.workId, l.look.key), l.for]))); // prettier-ignore
    this.isSheetWanted = true;
    void this.change({});
  }

  /** The files that there will be. */
  files: readonly PackableFile[] = $derived.by(() => {
    const own = this.plan.files.filter((f) => f.for !== 'sheet' && this.wants(lineKey(f.workId, f.look), f.for));
    const sheet = this.isSheetWanted && own.length ? this.plan.files.filter((f) => f.for === 'sheet') : [];
    return [...own, ...sheet];
  });

  /** Roughly how large each is; null where its look was not looked at yet. */
  bytesOf(file: PackableFile): number | null {
    const facts = this.facts[lineKey(file.workId, file.look)];
    return facts ? bytesOf(file, facts.weight) : null;
  }

  /** What is wanted by what it is for. */
  groups = $derived.by(() =>
    FORS.map((purpose) => {
      const files = this.files.filter((f) => f.for === purpose);
      const bytes = files.map((f) => this.bytesOf(f));
      return { purpose, files, bytes: bytes.some((b) => b === null) ? null : bytes.reduce<number>((sum, b) => sum + b!, 0) }; // prettier-ignore
    }).filter((g) => g.files.length > 0),
  );

  /** README, checks and descent come with every package. */
  count = $derived(this.files.length ? this.files.length + 3 : 0);
  bytes = $derived.by(() => {
    const parts = this.groups.map((g) => g.bytes);
    return parts.some((b) => b === null) ? null : parts.reduce<number>((sum, b) => sum + b!, 0) + 150 * this.count;
  });

  wantedLines = $derived.by(() => this.lines.filter((l) => this.ticks[l.key]?.some((f) => f !== 'sheet')));

  /** What was found in what is wanted, what is to be looked at first. */
  checks = $derived.by(() => {
    const all = this.wantedLines.flatMap((line) => (this.facts[line.key]?.checks ?? []).map((check) => ({ line, check }))); // prettier-ignore
    return all.sort((a, b) => Number(a.check.ok) - Number(b.check.ok));
  });
  /** What is to be looked at: of one kind in several looks of a work the worst, with how many more there are. */
  noticed = $derived.by(() => {
    const found: { line: Line; check: PackageCheck; more: number }[] = [];
    for (const { line, check } of this.checks) {
      if (check.ok) continue;
      const same = found.findIndex((f) => f.line.work === line.work && f.check.what === check.what);
      if (same < 0) found.push({ line, check, more: 0 });
      else {
        const { more, check: known } = found[same];
        const isWorse = check.what === 'ink' ? check.figure! > known.figure! : check.figure! < known.figure!;
        found[same] = isWorse ? { line, check, more: more + 1 } : { ...found[same], more: more + 1 };
      }
    }
    return found;
  });
  faults = $derived(this.noticed.length);
  /** Lines that are wanted and were not looked at yet. */
  unlooked = $derived(this.wantedLines.filter((l) => !this.facts[l.key]).length);

  /** How many files are other than those that the client had last: new, or of another version or set. */
  changed = $derived.by(() => {
    const { last } = this;
    if (!last?.asked || !last.files.some((f) => f.sha256)) return null;
    const was = Object.fromEntries(last.files.map((f) => [f.name, true]));
    const steps = Object.fromEntries(last.asked.works.map((w) => [w.workId, w.stepId]));
    const isSame = (f: PackableFile): boolean =>
      was[f.name] &&
      steps[f.workId] === this.plan.works.find((w) => w.workId === f.workId)?.stepId &&
      JSON.stringify(last.asked!.sets) === JSON.stringify(this.plan.sets);
    return this.files.filter((f) => !isSame(f)).length;
  });

  /** Looks at what is wanted, one after the other: a browser has few lines to a server. */
  async look(): Promise<void> {
    if (this.asking) return;
    this.asking = true;
    try {
      for (;;) {
        const line = this.wantedLines.find((l) => !this.facts[l.key]);
        if (!line) return;
        const { sets } = this;
        const facts = await ask<LookFacts>('POST', `/api/works/${line.work.workId}/looks`, { look: line.look.key, head: line.work.stepId, sets: printed(sets) }); // prettier-ignore
        // Of sets that changed meanwhile it is not true any more.
        if (sets === this.sets) this.facts = { ...this.facts, [line.key]: facts };
      }
    } catch (error) {
      notices.fail(error);
    } finally {
      this.asking = false;
    }
  }

  /** Takes sets that are other than what they are begun with. */
  async change(sets: Partial<PackageSets>): Promise<void> {
    const { artwork } = this.data();
    try {
      const plan = await ask<PackagePlan>('POST', `/api/works/${artwork.id}/package`, { sets });
      const isPrinted = JSON.stringify(printed(sets)) !== JSON.stringify(printed(this.sets));
      this.sets = sets;
      this.plan = plan;
      if (isPrinted) this.facts = {};
      this.remember();
    } catch (error) {
      notices.fail(error);
    }
  }

  /** A state of the works that is newer: what was looked at of others is not true any more. */
  take(plan: PackagePlan): void {
    const before = this.plan;
    this.plan = plan;
    const same = plan.works.filter((w) => before.works.some((b) => b.workId === w.workId && b.stepId === w.stepId)).map((w) => w.workId); // prettier-ignore
    this.facts = Object.fromEntries(Object.entries(this.facts).filter(([key]) => same.includes(key.split(' ')[0])));
  }

  async lookAtLast(id: string | undefined): Promise<void> {
    if (!id || this.last?.id === id) return;
    try {
      this.last = await ask<Delivery>('GET', `/api/deliveries/${id}`);
    } catch {
      // Then nothing is said about what changed.
    }
  }

  /** What is asked for, as the API takes it. */
  get asked(): object {
    const rows = this.wantedLines.map(({ key, work, look }, k) => ({
      workId: work.workId,
      head: work.stepId,
      look: look.key,
      // One sheet tells of all.
      for: FORS.filter((f) => (f === 'sheet' ? k === 0 && this.isSheetWanted : this.ticks[key].includes(f))),
    }));
    return { rows, sets: this.sets };
  }
}

/** What of the sets changes what a press stumbles over. */
const printed = ({ press, print }: Partial<PackageSets>): Partial<PackageSets> => ({
  ...(press ? { press } : {}),
  ...(print ? { print } : {}),
});
