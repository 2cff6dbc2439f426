import { asTyped, quantityIn } from '@ample-crane/core';
import { useEffect, useRef, useState, type FocusEvent } from 'react';
import { ask, client } from '../ground/api.ts';
import { newKey } from '../ground/newKey.ts';
import { useDeviceValues } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';

/** Where values come from, and in which unit the field takes them. */
export interface TakesFrom {
  /** the station or the zone whose devices are meant: "station MC1" */
  place: string;
  unit: string;
}

/**
 * A field that takes what a device of its place sends while somebody is in it: a caliper's button puts its value there. Each
 * value goes into one field, wherever several wait.
 */
export function useDeviceField(from: TakesFrom | undefined, text: string, onChange: (text: string) => void) {
  const { may } = useSession();
  // Each time somebody comes into the field it waits anew, for what comes from then on.
  const [visit, setVisit] = useState(0);
  const [isIn, setIn] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [by] = useState(newKey);
  const isWaiting = isIn && from !== undefined && quantityIn(from.unit) !== null && may('operator');
  const values = useDeviceValues(from?.place ?? '', visit, isWaiting);
  const taken = useRef(new Set<string>());
  const now = useRef({ text, onChange });
  useEffect(() => {
    now.current = { text, onChange };
  });
  const there = values.data?.values;
  const unit = from?.unit ?? '';
  useEffect(() => {
    if (!isWaiting) return;
    for (const { seq, deviceName, quantity, value } of there ?? []) {
      if (taken.current.has(seq)) continue;
      taken.current.add(seq);
      const typed = asTyped(quantity, value, unit);
      // A weight is none of a length's: it is left for the field that it is meant for.
      if (typed === null) continue;
      void take(seq, by).then((isOurs) => {
        if (!isOurs) return;
        // Two may come before the field is drawn again.
        now.current.text = `${now.current.text.trimEnd()} ${typed}`.trimStart();
        now.current.onChange(now.current.text);
        setSaid(`${deviceName} sent ${typed} ${unit}`);
      });
    }
  }, [there, isWaiting, unit, by]);
  const devices = values.data?.devices ?? [];
  return {
    /** what it waits for, or what has come; nothing where no device could send anything */
    note: said ?? (devices.length === 0 ? null : `Takes what ${devices.join(', ')} sends`),
    isWaiting,
    onFocus: () => {
      if (isIn) return;
      setVisit(visit + 1);
      setSaid(null);
      setIn(true);
    },
    onBlur: ({ target }: FocusEvent) => {
      // Whoever looks at another window comes back to the same field.
      if (document.activeElement === target) return;
      setIn(false);
    },
  };
}

/** Whether the value is this field's; another may have been quicker, or the network is gone and it is typed by hand. */
const take = (seq: string, by: string): Promise<boolean> =>
  ask(client.POST('/api/device-values/{seq}/take', { params: { path: { seq } }, body: { by } })).then(
    () => true,
    () => false,
  );
