<script lang="ts">
  /** One place on the thread. */
  interface Props {
    href: string;
    label: string;
    /** Said in full where the label is short. */
    title?: string;
    picture?: string;
    current: boolean;
    /** Not reached yet. */
    waiting?: boolean;
    small?: boolean;
    medium?: boolean;
  }
  const {
    href,
    label,
    title = label,
    picture,
    current,
    waiting = false,
    small = false,
    medium = false,
  }: Props = $props();
  const side = $derived(small ? 'h-7 w-7' : medium ? 'h-10 w-10' : 'h-11 w-[52px]');
</script>

<a
  {href}
  class="group flex max-w-full shrink-0 flex-col items-center {medium ? 'w-[46px]' : ''}"
  aria-current={current ? 'page' : undefined}
  {title}
>
  <span
    class="flex items-center justify-center bg-white {side} {current
      ? 'border-[3px] border-active'
      : waiting
        ? 'border border-dashed border-muted'
        : 'border border-muted group-hover:border-active'}"
  >
    {#if picture}
      <img src={picture} alt="" class="max-h-full max-w-full object-contain p-px" />
    {:else if !waiting}
      <span class="flex w-6 flex-col gap-[3px]" aria-hidden="true">
        <span class="h-px bg-neutral-500"></span><span class="h-px bg-neutral-500"></span><span
          class="h-px w-4 bg-neutral-500"
        ></span>
      </span>
    {/if}
  </span>
  <span
    class="mt-0.5 max-w-full truncate px-0.5 text-[11px] leading-4 {current
      ? 'font-semibold text-text'
      : 'text-muted'} {small ? 'sr-only' : ''}">{label}</span
  >
</a>
