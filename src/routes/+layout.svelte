<script lang="ts">
  import '../app.css';
  import { onNavigate } from '$app/navigation';
  import Notices from '$lib/ui/shell/Notices.svelte';
  import { keys } from '$lib/ui/keys.svelte';
  import { notices } from '$lib/ui/notices.svelte';

  const { children } = $props();
  // A complaint about one screen means nothing on the next.
  onNavigate(() => notices.list.filter((n) => n.grave).forEach((n) => notices.drop(n.id)));
</script>

<svelte:window onkeydown={(e) => keys.handle(e)} />
{@render children()}
<Notices />
