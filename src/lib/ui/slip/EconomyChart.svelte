<script lang="ts">
  import { Chart, LinearScale, LineElement, PointElement, ScatterController, Tooltip } from 'chart.js';
  import type { EconomyPoint } from '$core/trace';

  /** Points against error for a range of smoothness; a click on one takes it. */
  interface Props {
    points: readonly EconomyPoint[];
    smoothness: number;
    onpick: (smoothness: number) => void;
  }
  const { points, smoothness, onpick }: Props = $props();

  Chart.register(LinearScale, LineElement, PointElement, ScatterController, Tooltip);
  let canvas = $state<HTMLCanvasElement>();
  const nearest = $derived(
    points.reduce(
      (best, p, i) => (Math.abs(p.smoothness - smoothness) < Math.abs(points[best].smoothness - smoothness) ? i : best),
      0,
    ),
  );

  $effect(() => {
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const axis = (text: string) => ({
      title: { display: true, text, color: colour('--muted'), font: { size: 11 }, padding: 0 },
      ticks: { color: colour('--muted'), font: { size: 10 }, maxTicksLimit: 5 },
      grid: { color: colour('--line'), drawTicks: false },
      border: { color: colour('--line') },
      beginAtZero: true,
    });
    const chart = new Chart(canvas!, {
      type: 'scatter',
      data: {
        datasets: [
          {
            data: points.map((p) => ({ x: p.segments, y: p.meanPx })),
            showLine: true,
            borderColor: colour('--active'),
            borderWidth: 1.5,
            pointRadius: points.map((_, i) => (i === nearest ? 5 : 2.5)),
            pointHitRadius: 10,
            pointBackgroundColor: points.map((_, i) => colour(i === nearest ? '--active' : '--paper')),
            pointBorderColor: colour('--active'),
          },
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: { x: axis('points'), y: axis('px') },
        plugins: {
          tooltip: {
            displayColors: false,
            callbacks: {
              label: ({ dataIndex: i }) => `${points[i].segments} points, ${points[i].meanPx.toFixed(3)} px`,
            },
          },
        },
        onClick: (_event, [hit]) => hit && onpick(points[hit.index].smoothness),
      },
    });
    return () => chart.destroy();
  });
</script>

<div class="mb-2 h-[128px]">
  <canvas
    bind:this={canvas}
    aria-label="Points against error in pixels: {points
      .map((p) => `${p.segments} points, ${p.meanPx.toFixed(2)} px`)
      .join('; ')}"
  ></canvas>
</div>
