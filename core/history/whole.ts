/** How many steps at most are gone through to find a state. */
const STEPS_BETWEEN = 40;

/** Changes may take up this much of what a whole state takes before one is kept again. */
const SHARE = 0.75;

/**
 * Whether a step keeps its whole state beside its change: so often that any state is found by going through few changes, and so seldom that small
 * edits of a large work cost little. `steps` and `changedBytes` are counted since the last whole state, this step's included.
 */
export const keepsWhole = (steps: number, changedBytes: number, stateBytes: number): boolean =>
  steps >= STEPS_BETWEEN || changedBytes > SHARE * stateBytes;
