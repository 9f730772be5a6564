<script lang="ts">
  import Station from '$lib/ui/colourways/Station.svelte';
  import { heard } from '$lib/ui/work/heard.svelte';
  import { lineOf } from '$lib/ui/work/line.svelte';

  const { data } = $props();
  const work = heard(() => data.artwork, lineOf);
</script>

<Station line={work.line} work={data.artwork} commission={data.commission} pictures={data.pictures} />
