<script lang="ts">
  import { nameColour, readHex } from '$core/colour';
  import type { GroundColour } from '$lib/contract/answers';
  import { forget, keep, kept } from '../kept';

  /** The colours that the mark will stand on; each is judged in the proofs. */
  interface Props {
    grounds: readonly GroundColour[];
    /** Under which name a ground that is being typed is kept in this browser. */
    place: string;
    onsettle: () => void;
  }
  let { grounds = $bindable(), place, onsettle }: Props = $props();
  let typed = $state('');
  let wrong = $state('');

  const at = $derived(`odd-quill-ground-${place}`);
  $effect(() => {
    const before = kept(at, { typed: '' });
    if (before) typed = before.typed;
  });
  const keepTyped = () => (typed ? keep(at, { typed }) : forget(at));

  function add(event: Event): void {
    event.preventDefault();
    const hex = readHex(typed);
    if (!hex) {
      wrong = 'A colour is written like #20346E';
      return;
    }
    wrong = '';
    typed = '';
    keepTyped();
    if (grounds.some((g) => g.hex === hex)) return;
    grounds = [...grounds, { name: nameColour(hex), hex }];
    onsettle();
  }

  function change(i: number, fields: Partial<GroundColour>): void {
    grounds = grounds.map((g, k) => (k === i ? { ...g, ...fields } : g));
    onsettle();
  }

  function remove(i: number): void {
    grounds = grounds.filter((_, k) => k !== i);
    onsettle();
  }
</script>

<div aria-labelledby="brief-grounds" role="group">
  <ul class="flex flex-wrap gap-2">
    {#each grounds as ground, i (ground.hex)}
      <li class="flex items-center gap-1.5 border border-line bg-paper py-1 pr-1 pl-1.5">
        <input
          type="color"
          class="h-6 w-6 cursor-pointer"
          value={ground.hex.toLowerCase()}
          aria-label="Colour of {ground.name}"
          onchange={(e) => change(i, { hex: e.currentTarget.value.toUpperCase() })}
        />
        <input
          class="w-24 bg-transparent"
          value={ground.name}
          maxlength="40"
          aria-label="Name of {ground.hex}"
          onchange={(e) => e.currentTarget.value.trim() && change(i, { name: e.currentTarget.value.trim() })}
        />
        <span class="text-muted">{ground.hex}</span>
        <button type="button" class="quiet px-1" onclick={() => remove(i)} aria-label="Take off {ground.name}"
          >Take off</button
        >
      </li>
    {/each}
  </ul>
  {#if grounds.length < 12}
    <div class="mt-2 flex items-center gap-2">
      <input
        class="field w-32"
        bind:value={typed}
        placeholder="such as #20346E"
        oninput={keepTyped}
        aria-label="Another ground, as a hex colour"
        onkeydown={(e) => e.key === 'Enter' && add(e)}
      />
      <button type="button" class="button" onclick={add}>Add a ground</button>
      {#if wrong}<span class="text-danger" role="alert">{wrong}</span>{/if}
    </div>
  {/if}
</div>
