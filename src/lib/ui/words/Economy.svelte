<script lang="ts">
  import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
  import type { Wording } from '$lib/contract/answers';
  import { counted } from '../counted';

  /** What the rounds of a commission cost, and where one could have stopped. */
  interface Props {
    wording: Wording;
  }
  const { wording }: Props = $props();
  Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);
  let canvas = $state<HTMLCanvasElement>();
  const rounds = $derived(wording.rounds);
  const { economy } = $derived(wording);
  const credits = (n: number): string => counted(n, 'credit');
  const stopped = $derived.by(() => {
    const { first, last } = economy;
    if (!first || !last) return null;
    const told = `The first that was kept came in round ${first.number}: up to there it cost ${credits(first.credits)}.`;
    return last.number === first.number ? told : `${told} The last came in round ${last.number}: stopping there would have cost ${credits(last.credits)}.`; // prettier-ignore
  });
  const time = $derived(
    economy.hours < 1
      ? counted(Math.round(economy.hours * 60), 'minute')
      : economy.hours < 48
        ? `${economy.hours.toFixed(1)} hours`
        : `${(economy.hours / 24).toFixed(1)} days`,
  );

  $effect(() => {
    if (!canvas) return;
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const ticks = { color: colour('--muted'), font: { size: 10 }, maxTicksLimit: 8, precision: 0 };
    const chart = new Chart(canvas, {
      type: 'bar',
      data: {
        labels: rounds.map((r) => String(r.number)),
        datasets: [
          {
            data: rounds.map((r) => r.credits),
            backgroundColor: rounds.map((r) => colour(r.kept ? '--active' : '--line')),
            borderColor: colour('--muted'),
            borderWidth: 1,
          },
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: { ticks, grid: { display: false }, title: { display: true, text: 'round', color: colour('--muted') } },
          y: { ticks, grid: { color: colour('--line') }, beginAtZero: true },
        },
        plugins: {
          tooltip: {
            displayColors: false,
            callbacks: { label: ({ dataIndex: i }) => `${credits(rounds[i].credits)}, ${rounds[i].kept} kept` },
          },
        },
      },
    });
    return () => chart.destroy();
  });
</script>

<h2 class="mb-1 text-[14px]">Cost and time</h2>
{#if rounds.length}
  <div class="mb-2 h-[128px]">
    <canvas
      bind:this={canvas}
      aria-label="Credits by round: {rounds.map((r) => `round ${r.number} ${r.credits}, ${r.kept} kept`).join('; ')}"
    ></canvas>
  </div>
  <dl class="mb-3 grid grid-cols-[1fr_auto] gap-y-1">
    <dt class="text-muted">charged in {rounds.length} {rounds.length === 1 ? 'round' : 'rounds'}</dt>
    <dd class="text-right">{credits(economy.credits)}</dd>
    <dt class="text-muted">of which nothing was kept</dt>
    <dd class="text-right">{credits(economy.forNothing)}</dd>
    <dt class="text-muted">from the first round to the last act</dt>
    <dd class="text-right">{time}</dd>
  </dl>
  {#if stopped}
    <p class="text-muted">{stopped}</p>
  {:else}
    <p class="text-muted">Nothing is kept yet.</p>
  {/if}
{:else}
  <p class="text-muted">Nothing was asked for yet.</p>
{/if}
