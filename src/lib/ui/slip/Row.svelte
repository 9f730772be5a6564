<script lang="ts">
  import type { Snippet } from 'svelte';
  const { label, for: target, children }: { label: string; for?: string; children: Snippet } = $props();
</script>

<div class="mb-3 flex items-center justify-between gap-3">
  <label for={target}>{label}</label>
  {@render children()}
</div>
