<script lang="ts">
  import Station from '$lib/ui/colourways/Station.svelte';
  import { LockupPalette } from '$lib/ui/lockup/palette.svelte';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { lockupLineOf } from '$lib/ui/work/line.svelte';

  const { data } = $props();
  const work = heard(() => data.lockup.work, lockupLineOf);
  const line = new LockupPalette(
    () => work.line,
    () => data.drawing,
  );
</script>

<Station {line} work={data.lockup.work} commission={data.commission} pictures={[]} />
