import { describe, expect, it } from 'vitest';
import { gerundOf, isAdjective, isCompound, isKnownWord, isPlural, isSeldomNoun, nounKind, participleOf, presentOf, singulars } from './classes'; // prettier-ignore

describe('word classes', () => {
  it('say what a noun names, the animal before what is cooked of it or called by it', () => {
    expect(['fox', 'foxes', 'lobster', 'tiger', 'king', 'oak', 'scarf', 'spoon', 'joy'].map(nounKind)).toEqual(['animal', 'animal', 'animal', 'animal', 'person', 'plant', 'garment', 'artifact', 'abstract']); // prettier-ignore
    expect(nounKind('quux')).toBeNull();
  });

  it('find the verb of a gerund, a participle and a third person', () => {
    expect(['running', 'riding', 'singing', 'lying', 'holding', 'ring', 'king'].map(gerundOf)).toEqual(['run', 'ride', 'sing', 'lie', 'hold', null, null]); // prettier-ignore
    expect(['curled', 'worn', 'carried', 'perched', 'bed', 'red'].map(participleOf)).toEqual(['curl', 'wear', 'carry', 'perch', null, null]); // prettier-ignore
    expect(['holds', 'carries', 'fox'].map(presentOf)).toEqual(['hold', 'carry', 'fox']);
  });

  it('know plurals, compounds, and nouns that are seldom such', () => {
    expect(singulars('leaves')).toContain('leaf');
    expect(singulars('cherries')).toContain('cherry');
    expect([isPlural('foxes'), isPlural('glass'), isPlural('fox')]).toEqual([true, false, false]);
    expect([isCompound('rolling pins'), isCompound('top hat'), isCompound('running fox')]).toEqual([true, true, false]);
    expect([isSeldomNoun('flat'), isSeldomNoun('stone'), isAdjective('ajar')]).toEqual([true, false, true]);
    expect([isKnownWord('three-legged'), isKnownWord('zorgle')]).toEqual([true, false]);
  });
});
