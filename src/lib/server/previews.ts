/** What is drawn so far of running rounds: only in this server's memory, since it is worth nothing once a round is finished. */
class Previews {
  private readonly byRound = new Map<string, Map<number, Buffer>>();

  keep(roundId: string, position: number, png: Buffer): void {
    let round = this.byRound.get(roundId);
    if (!round) this.byRound.set(roundId, (round = new Map()));
    round.set(position, png);
  }

  of = (roundId: string, position: number): Buffer | null => this.byRound.get(roundId)?.get(position) ?? null;

  drop(roundId: string): void {
    this.byRound.delete(roundId);
  }
}

export const previews = new Previews();
