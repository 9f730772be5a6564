/** Lockups drawn: lettering set, framed, dressed and arranged. */
export { drawLockup, type DrawOptions } from './draw';
export { type Resources } from './working';
export { type FamilyOf, type TextSetting } from './text';
export { LAYOUTS, layoutsOf, type LaidOut, type Layout, type LayoutsAsk } from './layouts';
export { alternatesOf, type Alternate } from './alternates';
export { lockupLines } from './noticed';
