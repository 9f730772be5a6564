<script lang="ts">
  import TraceStation from '$lib/ui/trace/TraceStation.svelte';

  const { data } = $props();
  const source = $derived({
    id: data.retouched.id,
    label: data.retouched.name,
    href: `/api/pictures/${data.picture.pictureId}`,
    widthPx: data.picture.widthPx,
    heightPx: data.picture.heightPx,
    keepPath: `/api/works/${data.retouched.id}/artworks`,
    stepId: data.retouched.head,
    over: { overWorkId: data.retouched.id },
    back: `/commissions/${data.commission.id}/retouched/${data.retouched.id}`,
  });
</script>

<TraceStation {source} artwork={data.artwork} commission={data.commission} />
