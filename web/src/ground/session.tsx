import { inUnits, METRIC, type UnitChoice } from '@ample-crane/core';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone';
import utc from 'dayjs/plugin/utc';
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { View } from './api.ts';
import { factoryNow } from './deviceClock.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

const ROLES = ['viewer', 'operator', 'lead', 'manager', 'admin'] as const;
type Role = (typeof ROLES)[number];

/** Who is signed in, and the factory's time as they see it. */
interface SessionContext {
  session: View<'SessionView'>;
  units: UnitChoice;
  nowMs: number;
  /** the factory's time this moment; `nowMs` may be some seconds old */
  exactNow: () => number;
  /** "Tue 10 Mar 07:05" */
  dateTime: (ms: number) => string;
  date: (ms: number) => string;
  /** "10 Mar", for the axis of a chart */
  day: (ms: number) => string;
  /** "14:10" today, "Thu 14:10" within the week, "3 Apr 14:10" beyond */
  clock: (ms: number) => string;
  may: (role: Role) => boolean;
}

const Context = createContext<SessionContext | null>(null);
const TICK_MS = 15_000;

export function SessionProvider({
  session,
  fetchedMs,
  children,
}: {
  session: View<'SessionView'>;
  fetchedMs: number;
  children: ReactNode;
}) {
  const [machineMs, setMachineMs] = useState(fetchedMs);
  useEffect(() => {
    const timer = setInterval(() => setMachineMs(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  const nowMs = session.nowMs + Math.max(0, machineMs - fetchedMs);
  const value = useMemo<SessionContext>(() => {
    const local = (ms: number) => dayjs(ms).tz(session.timeZone);
    const today = local(nowMs).format('YYYY-MM-DD');
    return {
      session,
      units: session.units,
      nowMs,
      exactNow: () => factoryNow() ?? session.nowMs + Math.max(0, Date.now() - fetchedMs),
      dateTime: (ms) => local(ms).format('ddd D MMM HH:mm'),
      date: (ms) => local(ms).format('D MMM YYYY'),
      day: (ms) => local(ms).format('D MMM'),
      clock: (ms) => {
        const at = local(ms);
        if (at.format('YYYY-MM-DD') === today) return at.format('HH:mm');
        return Math.abs(ms - nowMs) < 6 * 86_400_000 ? at.format('ddd HH:mm') : at.format('D MMM HH:mm');
      },
      may: (role) => ROLES.indexOf(session.role) >= ROLES.indexOf(role),
    };
  }, [session, nowMs, fetchedMs]);
  return <Context value={value}>{children}</Context>;
}

/** Tells a sentence of the server's, or of core's, in the units of whoever reads it; before anybody has signed in as it is. */
export function useTell(): (sentence: string) => string {
  const units = use(Context)?.units ?? METRIC;
  return (sentence) => inUnits(sentence, units);
}

/** The same session, worked by somebody in particular. */
export function SessionOf({ session, children }: { session: View<'SessionView'>; children: ReactNode }) {
  const outer = useSession();
  const value = useMemo<SessionContext>(
    () => ({ ...outer, session, may: (role) => ROLES.indexOf(session.role) >= ROLES.indexOf(role) }),
    [outer, session],
  );
  return <Context value={value}>{children}</Context>;
}

export function useSession(): SessionContext {
  const value = use(Context);
  if (!value) throw new Error('No session here');
  return value;
}
