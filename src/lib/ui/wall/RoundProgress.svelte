<script lang="ts">
  /** How far a round is, in words; where it gets no further, for how long, and what is waited for. */
  interface Props {
    number: number;
    isWaiting: boolean;
    /** 0..1. */
    done: number;
  }
  const { number, isWaiting, done }: Props = $props();

  /** So many seconds without progress are nothing to speak of. */
  const TOLD_FROM_S = 10;

  let still = $state(0);
  $effect(() => {
    void done;
    void isWaiting;
    still = 0;
    const from = Date.now();
    const clock = setInterval(() => (still = Math.floor((Date.now() - from) / 1000)), 1000);
    return () => clearInterval(clock);
  });

  const percent = $derived(Math.round(done * 100));
  const words = $derived(isWaiting ? 'waiting for its turn' : `drawing · ${percent}%`);
  const wait = $derived(
    still < TOLD_FROM_S
      ? ''
      : isWaiting
        ? ` · ${still} s so far, behind rounds that are being drawn`
        : ` · nothing from the image engine for ${still} s; it is still waited for`,
  );
</script>

<span role="progressbar" aria-label="Round {number}" aria-valuenow={percent}>{words}{wait}</span>
