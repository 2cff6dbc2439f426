import { STAGES } from '@ample-crane/core';
import { useHotkeys, type Options } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';

export const STAGE_PATHS = {
  woodRoom: '/wood-room',
  roughMill: '/rough-mill',
  machining: '/machining',
  necks: '/necks',
  bodies: '/bodies',
  fitting: '/fitting',
  finishing: '/finishing',
  assembly: '/assembly',
  finalRest: '/final-rest',
  dispatch: '/dispatch',
} as const;

export const DESKS = [
  { key: 'm', name: 'Morning', path: '/' },
  { key: 'f', name: 'Floor', path: '/floor' },
  { key: 'w', name: 'Flow', path: '/flow' },
  { key: 'o', name: 'Orders', path: '/orders' },
  { key: 'r', name: 'Records', path: '/records' },
  { key: 't', name: 'Stations', path: '/stations' },
  { key: 'b', name: 'Bench sums', path: '/sums' },
  { key: 's', name: 'Setup', path: '/setup' },
] as const;

/** Keys that mean something on every screen, in the words of the key list. */
export const KEY_HELP: readonly (readonly [string, string])[] = [
  ['1 – 9, 0', 'Stages in walking order'],
  ...DESKS.map((d) => [d.key, d.name] as const),
  ['.', 'Scan or find'],
  ['l', 'Log a reading for what is on screen'],
  ['e', 'Evidence'],
  ['?', 'This list'],
];

/** Single keys as they are written, none of which fires while someone types or a dialog is open. */
const ALONE: Options = {
  useKey: true,
  // On some keyboards a sign or a digit takes Shift.
  ignoreModifiers: true,
  preventDefault: true,
  ignoreEventWhen: ({ target, ctrlKey, metaKey, altKey }) =>
    ctrlKey ||
    metaKey ||
    altKey ||
    document.querySelector('[role="dialog"]') !== null ||
    (target instanceof HTMLElement && target.getAttribute('role') === 'combobox'),
};

export function useKey(key: string, act: () => void): void {
  useHotkeys(key, act, ALONE, [act]);
}

const PATHS: ReadonlyMap<string, string> = new Map<string, string>([
  ...STAGES.map((stage, i) => [String((i + 1) % 10), STAGE_PATHS[stage]] as const),
  ...DESKS.map((d) => [d.key, d.path] as const),
]);

export function useWalkKeys(): void {
  const navigate = useNavigate();
  useHotkeys([...PATHS.keys()], ({ key }) => void navigate(PATHS.get(key) ?? '/'), ALONE);
}
