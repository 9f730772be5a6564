<script lang="ts">
  import Station from '$lib/ui/deliver/Station.svelte';

  const { data } = $props();
</script>

<Station {data} />
