/** Designers who write all the time, and know afterwards what was acknowledged to them. */
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { drawCandidate } from '../../core/engine';
import { trace } from '../../core/trace';
import type { ActsAnswer, Candidate, Commission, Round, WorkState } from '../../src/lib/contract/answers';
import { bringInPicture, keepTrace } from '../made';
import type { Client } from './client';

const PICTURE = drawCandidate({ prompt: 'a bat over a moon', sizePx: 96 }, 0).picture;
const TRACED = trace(PICTURE);

interface Acknowledged {
  readonly commissionId: string;
  readonly workId: string;
  readonly inkId: string;
  notes: string;
  decision: 'kept' | 'aside';
  readonly candidateId: string;
  head: string;
  edits: number;
  readonly rounds: string[];
  /** Commissions that were started, by their names. */
  readonly started: string[];
}

export interface Writing {
  /** How many changes were acknowledged so far. */
  count: () => number;
  /** Until so many were: a busy machine takes longer, and does not fall short. Ends early when nobody writes any more. */
  until: (changes: number) => Promise<void>;
  /** Ends the writing and compares what was acknowledged with what is there. */
  finish: () => Promise<{ acknowledged: number; lost: string[]; doubled: string[]; rounds: number; failed: string[] }>;
}

/** Begins to write with so many designers, each of whose changes is a round once in so many; never, when that is 0. */
export async function write(client: Client, designers: number, roundEvery = 30): Promise<Writing> {
  let writing = true;
  let count = 0;
  const own = await Promise.all(Array.from({ length: designers }, () => begin(client)));
  const faults: string[] = [];
  const loops = own.map(async (a) => {
    try {
      for (let n = 0; writing; n++) {
        await one(client, a, n, roundEvery);
        count++;
        await pause(20);
      }
    } catch (error) {
      faults.push(String(error));
    }
  });
  return {
    count: () => count,
    until: async (changes) => {
      while (count < changes && faults.length < designers) await pause(50);
    },
    finish: async () => {
      writing = false;
      await Promise.all(loops);
      if (faults.length) throw new Error(faults.join('\n'));
      const found = await Promise.all(own.map((a) => compare(client, a)));
      return {
        acknowledged: count,
        lost: found.flatMap((f) => f.lost),
        doubled: found.flatMap((f) => f.doubled),
        rounds: found.reduce((sum, f) => sum + f.rounds, 0),
        failed: found.flatMap((f) => f.failed),
      };
    },
  };
}

async function begin(client: Client): Promise<Acknowledged> {
  const { id } = await client.ask<Commission>('POST', '/api/commissions', { name: 'Rig', allowance: 100_000 });
  const candidate = await bringInPicture(client.ask, id, PICTURE);
  const work = await keepTrace(client.ask, candidate.id, TRACED);
  const { head } = await client.ask<WorkState>('GET', `/api/works/${work.id}`);
  return {
    commissionId: id,
    workId: work.id,
    inkId: TRACED.artwork.inks[0].id,
    notes: '',
    decision: 'kept',
    candidateId: candidate.id,
    head,
    edits: 0,
    rounds: [],
    started: [],
  };
}

const hexOf = (n: number): string => `#${((n * 7919) % 0xffffff).toString(16).padStart(6, '0').toUpperCase()}`;

/** One change of one kind or another, until it is acknowledged. */
async function one(client: Client, a: Acknowledged, n: number, roundEvery: number): Promise<void> {
  if (roundEvery && n % roundEvery === 7) {
    const body = { requestKey: randomUUID(), prompt: 'an owl', count: 1 };
    a.rounds.push((await client.ask<Round>('POST', `/api/commissions/${a.commissionId}/rounds`, body)).id);
    return;
  }
  switch (n % 4) {
    case 0: {
      const notes = `${n}`;
      await client.ask('PATCH', `/api/commissions/${a.commissionId}`, { notes, seen: { notes: a.notes } });
      a.notes = notes;
      return;
    }
    case 1: {
      const edits = [{ kind: 'ink-colour', inkId: a.inkId, hex: hexOf(n + 1) }];
      const acts = [{ kind: 'edit', key: randomUUID(), edits }];
      a.head = (await client.ask<ActsAnswer>('POST', `/api/works/${a.workId}/acts`, { head: a.head, acts })).head;
      a.edits++;
      return;
    }
    case 2: {
      const decision = a.decision === 'kept' ? 'aside' : 'kept';
      await client.ask('PATCH', `/api/candidates/${a.candidateId}`, { decision });
      a.decision = decision;
      return;
    }
    default: {
      const name = `Rig ${randomUUID()}`;
      await client.ask('POST', '/api/commissions', { name });
      a.started.push(name);
    }
  }
}

async function compare(client: Client, a: Acknowledged) {
  const lost: string[] = [];
  const doubled: string[] = [];
  const commission = await client.ask<Commission>('GET', `/api/commissions/${a.commissionId}`);
  if (commission.notes !== a.notes) lost.push(`notes ${a.notes}, are ${commission.notes}`);
  const { decision } = await client.ask<Candidate>('GET', `/api/candidates/${a.candidateId}`);
  if (a.edits && decision !== a.decision) lost.push(`decision ${a.decision}, is ${decision}`);
  const { steps, head } = await client.ask<WorkState>('GET', `/api/works/${a.workId}`);
  if (steps.length < a.edits + 1 || head !== a.head)
    lost.push(`${a.edits} edits, of which ${steps.length - 1} are there`);
  if (steps.length > a.edits + 1) doubled.push(`${a.edits} edits, ${steps.length - 1} are there`);
  const all = await client.ask<Commission[]>('GET', '/api/commissions');
  for (const name of a.started) {
    const times = all.filter((c) => c.name === name).length;
    if (times === 0) lost.push(name);
    if (times > 1) doubled.push(name);
  }
  const failed: string[] = [];
  for (const id of a.rounds) {
    const round = await settled(client, id);
    if (round.state !== 'done') failed.push(`${round.state}: ${round.error ?? ''}`);
  }
  return { lost, doubled, rounds: a.rounds.length, failed };
}

async function settled(client: Client, id: string): Promise<Round> {
  for (;;) {
    const round = await client.ask<Round>('GET', `/api/rounds/${id}`);
    if (round.state !== 'waiting' && round.state !== 'drawing') return round;
    await pause(150);
  }
}
