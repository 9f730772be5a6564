<script lang="ts">
  import TraceStation from '$lib/ui/trace/TraceStation.svelte';

  const { data } = $props();
  const source = $derived({
    id: data.candidate.id,
    label: `candidate ${data.candidate.label}`,
    href: `/api/pictures/${data.candidate.pictureId}`,
    widthPx: data.candidate.widthPx,
    heightPx: data.candidate.heightPx,
    keepPath: `/api/candidates/${data.candidate.id}/artworks`,
    over: { overCandidateId: data.candidate.id },
    back: `/commissions/${data.commission.id}/candidates/${data.candidate.id}`,
  });
</script>

<TraceStation {source} artwork={data.artwork} commission={data.commission} />
