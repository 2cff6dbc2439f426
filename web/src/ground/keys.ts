import { STAGES } from '@ample-crane/core';
import { useEffect } from 'react';
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

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) || target.getAttribute('role') === 'combobox');

/** Single keys, none of which fires while someone types or an dialog is open. */
export function useKey(key: string, act: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== key || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[role="dialog"]')) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [key, act]);
}

export function useWalkKeys(): void {
  const navigate = useNavigate();
  useEffect(() => {
    const paths = new Map<string, string>([
      ...STAGES.map((stage, i) => [String((i + 1) % 10), STAGE_PATHS[stage]] as const),
      ...DESKS.map((d) => [d.key, d.path] as const),
    ]);
    const onKey = (event: KeyboardEvent) => {
      const path = paths.get(event.key);
      if (path === undefined || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[role="dialog"]')) return;
      void navigate(path);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [navigate]);
}
