import type { ClockKind, DateOrder } from '@ample-crane/core';
import { Alert, Button, Stack, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { columnsOf, type Field } from './ColumnFields.tsx';

type Choice = View<'TimesChoiceView'>['value'];

const ASKED = {
  order: 'These dates can be read in more than one way. Which is right?',
  clock: 'Clocks were put back in this time, but the device’s was not. What time did it keep?',
} as const;
const SAID: Partial<Record<Choice, string>> = {
  'year first': 'Year first',
  'day first': 'Day first',
  'month first': 'Month first',
  standard: 'Standard time all year',
  summer: 'Summer time, it was not put back',
};

/** What only a person can say of a file's times, each answer with what it makes of them. Nothing is read before. */
export function TimesQuestion({
  question,
  onAnswer,
}: {
  question: View<'TimesQuestionView'>;
  onAnswer: (name: 'dateOrder' | 'clock', value: Choice) => void;
}) {
  const { dateTime } = useSession();
  return (
    <Alert severity="warning" variant="outlined">
      <Typography gutterBottom>{ASKED[question.about]}</Typography>
      <Stack direction="row" useFlexGap spacing={1} sx={{ flexWrap: 'wrap' }}>
        {question.choices.map(({ value, fromMs, toMs }) => (
          <Button
            key={value}
            variant="outlined"
            onClick={() => onAnswer(question.about === 'order' ? 'dateOrder' : 'clock', value)}
            sx={{ textAlign: 'left' }}
          >
            {SAID[value] ?? value}
            {fromMs !== null && toMs !== null && `: ${dateTime(fromMs)} to ${dateTime(toMs)}`}
          </Button>
        ))}
      </Stack>
    </Alert>
  );
}

const ORDER_CHOICES = [
  ['', 'as the file tells'],
  ['year first', 'year first'],
  ['day first', 'day first'],
  ['month first', 'month first'],
] as const;
const CLOCK_CHOICES = [
  ['local', 'changes with ours'],
  ['standard', 'standard time all year'],
  ['summer', 'summer time all year'],
] as const;

interface FileTimes {
  header: string[];
  columns: { time: string; timeOfDay?: string | null; dateOrder?: DateOrder | null };
  clock: ClockKind | null;
}

/** Where a file's times stand, how they are written, and how the clock behind them ran. */
export const timeFields = ({ header, columns, clock }: FileTimes): Field[] => [
  { name: 'time', label: columns.timeOfDay ? 'Date' : 'Time', value: columns.time, options: columnsOf(header) },
  { name: 'timeOfDay', label: 'Time of day', value: columns.timeOfDay ?? '', options: columnsOf(header, 'with the date') },
  { name: 'dateOrder', label: 'Dates', value: columns.dateOrder ?? '', options: ORDER_CHOICES },
  {
    name: 'clock',
    label: 'Its clock',
    value: clock ?? '',
    options: clock === null ? [['', 'to be said'], ...CLOCK_CHOICES] : CLOCK_CHOICES,
  },
];
