import { useHotkeys } from 'react-hotkeys-hook';

/**
 * Every key of the application, a row each: bindings, the list of keys and its test are made from this table. A page binds a
 * key by its id (`useKey`); a key without a row cannot be bound.
 */
interface KeyRow {
  /** As the library binds it; several by commas. */
  binds: string;
  /** As the list shows it. */
  shows: string;
  does: string;
  /** Where it works; absent: on every page of a property. */
  on?: string;
  /** The character itself, whatever key makes it on this keyboard. */
  byCharacter?: true;
  preventDefault?: true;
  /** Works while a field is typed in. */
  inFields?: true;
}

export const KEYS = {
  stage: { binds: '1,2,3,4,5,6,7', shows: '1 to 7', does: 'stages of work' },
  'zone-before': { binds: '[', shows: '[', does: 'zone before', byCharacter: true },
  'zone-after': { binds: ']', shows: ']', does: 'zone after', byCharacter: true },
  'all-properties': { binds: 'alt+h', shows: 'Alt H', does: 'all properties' },
  list: { binds: '?', shows: '?', does: 'this list', byCharacter: true },
  'close-workings': { binds: 'escape', shows: 'Esc', does: 'close the Workings' },
  find: { binds: '/', shows: '/', does: 'find a property', on: 'Properties', byCharacter: true, preventDefault: true },
  'new-property': { binds: 'n', shows: 'N', does: 'new property', on: 'Properties', preventDefault: true },
  select: { binds: 's', shows: 'S', does: 'select', on: 'Ground' },
  outline: { binds: 'o', shows: 'O', does: 'outline', on: 'Ground' },
  rectangle: { binds: 'r', shows: 'R', does: 'rectangle', on: 'Ground' },
  triangle: { binds: 't', shows: 'T', does: 'three sides', on: 'Ground' },
  circle: { binds: 'c', shows: 'C', does: 'circle; closes an outline that is being drawn', on: 'Ground' },
  ellipse: { binds: 'e', shows: 'E', does: 'ellipse', on: 'Ground' },
  offsets: { binds: 'b', shows: 'B', does: 'offsets', on: 'Ground' },
  'cut-out': { binds: 'x', shows: 'X', does: 'cut out', on: 'Ground' },
  water: { binds: 'k', shows: 'K', does: 'keep clear of water', on: 'Ground' },
  building: { binds: 'd', shows: 'D', does: 'buildings', on: 'Ground' },
  track: { binds: 'g', shows: 'G', does: 'import a GPX track', on: 'Ground' },
  'zones-file': { binds: 'j', shows: 'J', does: 'import a zones file', on: 'Ground' },
  picture: { binds: 'i', shows: 'I', does: 'plan picture', on: 'Ground' },
  'hand-test': { binds: 'h', shows: 'H', does: 'hand test', on: 'Ground' },
  snap: { binds: 'n', shows: 'N', does: 'snap to other corners', on: 'Ground' },
  'zoom-in': { binds: '+', shows: '+', does: 'zoom in', on: 'Ground', byCharacter: true },
  'zoom-out': { binds: '-', shows: '−', does: 'zoom out', on: 'Ground', byCharacter: true },
  fit: { binds: '0', shows: '0', does: 'fit the sheet', on: 'Ground' },
  undo: { binds: 'mod+z', shows: 'Ctrl Z', does: 'undo', on: 'Ground and Season', preventDefault: true },
  redo: {
    binds: 'mod+y, mod+shift+z',
    shows: 'Ctrl Y, Ctrl Shift Z',
    does: 'redo',
    on: 'Ground and Season',
    preventDefault: true,
  },
  'print-labels': { binds: 'p', shows: 'P', does: 'print the labels', on: 'Sample' },
  'next-school': { binds: 's', shows: 'S', does: 'the next school', on: 'Read and Prescribe' },
  print: { binds: 'p', shows: 'P', does: 'print the page', on: 'Read, Prescribe and Season' },
  'add-dose': { binds: 'a', shows: 'A', does: 'add a dose', on: 'Season' },
  'job-after': { binds: 'j', shows: 'J', does: 'the next job', on: 'Field' },
  'job-before': { binds: 'k', shows: 'K', does: 'the job before', on: 'Field' },
  'go-to-start': { binds: 's', shows: 'S', does: 'to the Start button; Enter starts', on: 'Field' },
  'done-to-here': { binds: 'd', shows: 'D', does: 'done to here', on: 'Field' },
  pause: { binds: 'z', shows: 'Z', does: 'pause, and go on', on: 'Field' },
  mark: { binds: 'm', shows: 'M', does: 'mark the place', on: 'Field', preventDefault: true },
  'go-to-finish': { binds: 'f', shows: 'F', does: 'to the Finish button; Enter finishes', on: 'Field' },
  'turn-left': { binds: '<', shows: '<', does: 'turn the passes 1 degree left', on: 'Field', byCharacter: true },
  'turn-right': { binds: '>', shows: '>', does: 'turn the passes 1 degree right', on: 'Field', byCharacter: true },
  'add-record': { binds: 'a', shows: 'A', does: 'add a record', on: 'Log', preventDefault: true },
  'edit-record': { binds: 'e', shows: 'E', does: 'edit the record', on: 'Log', preventDefault: true },
  replan: { binds: 'r', shows: 'R', does: 'plan the rest again', on: 'Log' },
  'find-record': { binds: '/', shows: '/', does: 'find a record', on: 'Log', byCharacter: true, preventDefault: true },
  save: {
    binds: 'mod+s',
    shows: 'Ctrl S',
    does: 'save what is typed',
    on: 'Settings',
    preventDefault: true,
    inFields: true,
  },
  'new-label': { binds: 'a', shows: 'A', does: 'a new label', on: 'Shelf', preventDefault: true },
} as const satisfies Record<string, KeyRow>;
export type KeyId = keyof typeof KEYS;

/** Keys of a page by where they work, in the order of the table: what the list shows. */
export const keysByPlace = (): (readonly [place: string, keys: readonly KeyRow[]])[] => {
  const places = new Map<string, KeyRow[]>();
  for (const row of Object.values(KEYS) as KeyRow[])
    places.set(row.on ?? 'Everywhere', [...(places.get(row.on ?? 'Everywhere') ?? []), row]);
  return [...places];
};

let lettersOff = false;
/** Switches keys of one letter off, for people whose speech input presses them; keys with Ctrl or Alt and Esc go on working. */
export const switchLetters = (on: boolean): void => {
  lettersOff = !on;
};
const isOneLetter = ({ key, ctrlKey, altKey, metaKey }: KeyboardEvent): boolean =>
  key.length === 1 && !ctrlKey && !altKey && !metaKey;

/** Ctrl and a sign is the browser's own, such as its zoom; with Alt it types a sign on some keyboards. */
const isCommand = ({ ctrlKey, metaKey, altKey }: KeyboardEvent): boolean => (ctrlKey || metaKey) && !altKey;

/** Binds a key of the table while a component is shown. */
export function useKey(
  id: KeyId,
  act: (event: KeyboardEvent) => void,
  dependencies: unknown[] = [],
  enabled = true,
): void {
  const row: KeyRow = KEYS[id];
  useHotkeys(
    row.binds,
    act,
    {
      enabled,
      ...(row.inFields ? { enableOnFormTags: true } : {}),
      ignoreEventWhen: (event) => (lettersOff && isOneLetter(event)) || (row.byCharacter === true && isCommand(event)),
      // the sign itself counts, whatever is held to type it; '>' would otherwise begin a sequence
      ...(row.byCharacter ? { useKey: true, ignoreModifiers: true, sequenceSplitKey: ' ' } : {}),
      ...(row.preventDefault ? { preventDefault: true } : {}),
    },
    dependencies,
  );
}
