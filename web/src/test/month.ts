import type { View } from '../ground/api.ts';

/** A month of twenty working days in which ninety instruments were sent off. */
export const aMonth = (id: string, over: Partial<View<'MonthView'>> = {}): View<'MonthView'> => ({
  id,
  fromMs: Date.parse(`${id}-01T00:00:00Z`),
  whole: true,
  workDays: 20,
  peopleHours: 4000,
  begun: 90,
  shipped: 90,
  shippedPerDay: 4.5,
  meanLeadDays: 40,
  returnedShare: 0.04,
  busiest: 'Buffing',
  busiestShare: 0.8,
  why: null,
  ...over,
});
