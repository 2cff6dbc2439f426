import { describe, expect, test } from '@jest/globals';
import { CAUTIONS, DAY_MS, HOUR_MS, MINUTE_MS, type Finding as FindingData } from '@ample-crane/core';
import { ApiProblem } from '../ground/api.ts';
import { paper } from '../ground/tokens.ts';
import { labelsOf, NOW_MS, render, wordsOf } from '../test/render.tsx';
import { BandStrip } from './BandStrip.tsx';
import { Caution } from './Caution.tsx';
import { DwellRing, type Wait } from './DwellRing.tsx';
import { ErrorNote } from './ErrorNote.tsx';
import { Finding, FindingList, SeverityMark } from './Finding.tsx';
import { parseNumbers, QuickEntry } from './QuickEntry.tsx';
import { RouteLine } from './RouteLine.tsx';
import { StreamGlyph } from './StreamGlyph.tsx';
import { counted, pieces, statusWords } from './words.ts';

const words = (part: Parameters<typeof render>[0]) => wordsOf(render(part));

describe('words', () => {
  test('count in the trade’s own plurals', () => {
    expect([pieces(1, 'body'), pieces(6, 'body'), pieces(2, 'neck'), pieces(0, 'instrument')]).toEqual([
      '1 body',
      '6 bodies',
      '2 necks',
      '0 instruments',
    ]);
    expect([counted(1, 'batch', 'batches'), counted(4, 'batch', 'batches')]).toEqual(['1 batch', '4 batches']);
  });
  test('say what a status means', () => {
    expect(statusWords('finished')).toBe('done here, at its gate');
    expect(statusWords('something new')).toBe('something new');
  });
});

describe('a row of numbers', () => {
  test('is read with either decimal sign and any spacing', () => {
    expect(parseNumbers('56.02 56,05;56.1\n 56', 2)).toEqual({
      values: [
        { value: 56.02, shown: '56.02' },
        { value: 56.05, shown: '56.05' },
        { value: 56.1, shown: '56.10' },
        { value: 56, shown: '56.00' },
      ],
      problems: [],
    });
  });
  test('names what it cannot read', () => {
    expect(parseNumbers('56 wide 1,2,3', 1).problems).toEqual(['"wide" is not a number', '"1,2,3" is not a number']);
    expect(parseNumbers('', 1)).toEqual({ values: [], problems: [] });
  });
});

describe('StreamGlyph', () => {
  test('gives body, neck and instrument a shape of their own', () => {
    const shapes = (['body', 'neck', 'instrument'] as const).map((of) => render(<StreamGlyph of={of} />));
    expect(shapes.map(labelsOf)).toEqual([['body'], ['neck'], ['instrument']]);
    expect(new Set(shapes.map((s) => s.match(/ d="[^"]+"/)?.[0])).size).toBe(3);
  });
});

describe('SeverityMark', () => {
  test('tells by shape and word, not by colour alone', () => {
    const marks = (['ready', 'waiting', 'attention', 'stop'] as const).map((severity) => render(<SeverityMark severity={severity} />));
    expect(marks.map((m) => labelsOf(m)[0])).toEqual(['ready', 'wait', 'look', 'stop']);
    expect(new Set(marks.map((m) => m.replace(/fill="[^"]*"|aria-label="[^"]*"/g, ''))).size).toBe(4);
  });
});

describe('DwellRing', () => {
  const wait = (over: Partial<Wait>): Wait => ({
    done: 0.5,
    untilMs: NOW_MS + 23 * MINUTE_MS,
    verdict: 'wait',
    status: 'dwelling',
    findings: [],
    ...over,
  });
  const label = (over: Partial<Wait>) => labelsOf(render(<DwellRing of={wait(over)} />))[0];
  test('says when it is free, by the clock and by what is left', () => {
    expect(label({})).toBe('free 07:33, 23 min left');
    expect(label({ untilMs: NOW_MS + 2 * DAY_MS + HOUR_MS })).toBe('free Thu 08:10, 2 d 1 h left');
    expect(label({ untilMs: NOW_MS + 30 * DAY_MS })).toMatch(/^free 9 Apr 08:10/);
    expect(label({ untilMs: null })).toBe('waits');
  });
  test('says that it may go, or is stopped', () => {
    expect(label({ verdict: 'pass' })).toBe('can go now');
    expect(label({ verdict: 'stop' })).toBe('stopped');
  });
  test('is hatched while its clock stands: held, or too cold to cure', () => {
    const cold: FindingData = { rule: 'equivalent', verdict: 'wait', sentence: 'too cold' };
    expect(label({ status: 'held' })).toMatch(/^clock paused/);
    expect(label({ findings: [cold], untilMs: null })).toBe('clock paused, waits');
    expect(label({ findings: [{ ...cold, untilMs: NOW_MS + 1 }] })).not.toMatch(/paused/);
    expect(render(<DwellRing of={wait({ status: 'held' })} />)).toMatch(/fill="url\(#/);
  });
  test('has a notch where there is a longest wait, and the turn is that wait', () => {
    const arc = (over: Partial<Wait>) => Number(/stroke-dasharray="([\d.]+) /.exec(render(<DwellRing of={wait(over)} />))?.[1]);
    const limited: FindingData = { rule: 'elapsed', verdict: 'wait', sentence: 'x', maximum: 2 };
    expect(arc({ findings: [limited] })).toBeCloseTo(arc({}) / 2, 6);
    expect(render(<DwellRing of={wait({ findings: [limited] })} />)).toContain('M15 0v9');
    expect(render(<DwellRing of={wait({})} />)).not.toContain('M15 0v9');
  });
  test('never shows more than all or less than nothing', () => {
    const arc = (done: number | null) => Number(/stroke-dasharray="([\d.]+) /.exec(render(<DwellRing of={wait({ done })} />))?.[1]);
    expect(arc(3)).toBeCloseTo(2 * Math.PI * 11, 6);
    expect(arc(-1)).toBe(0);
    expect(arc(null)).toBe(0);
  });
});

describe('BandStrip', () => {
  const strip = (values: number[]) => render(<BandStrip label="Readings" unit="%" low={7.5} high={9.5} values={values} />);
  test('says what it shows: band, count, mean, how many out', () => {
    expect(labelsOf(strip([8, 9, 10]))[0]).toBe('Readings: band 7.5 to 9.5 %; 3 values, mean 9.0, 1 out of band');
    expect(labelsOf(strip([]))[0]).toMatch(/nothing measured yet/);
  });
  test('draws what is out of band in another shape', () => {
    const crosses = (markup: string) => markup.match(new RegExp(`stroke="${paper.stop}"`, 'g'))?.length ?? 0;
    expect([crosses(strip([8, 9])), crosses(strip([8, 9.6, 7.4]))]).toEqual([0, 2]);
  });
  test('keeps every value in the picture', () => {
    const xs = [...strip([2, 8, 30]).matchAll(/(?:x1|M)="?([\d.]+)/g)].map((m) => Number(m[1]));
    expect(Math.max(...xs)).toBeLessThanOrEqual(220);
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(0);
  });
});

describe('Finding', () => {
  test('adds the clock time and what is left to a wait, and says when it is a forecast', () => {
    expect(words(<Finding severity="waiting" sentence="Clamped 22 of 45 min" untilMs={NOW_MS + 23 * MINUTE_MS} />)).toBe(
      'Clamped 22 of 45 min · free 07:33 · 23 min',
    );
    expect(words(<Finding severity="waiting" sentence="Cured" untilMs={NOW_MS + DAY_MS} forecast />)).toContain('expected free Wed 07:10');
    expect(words(<Finding severity="ready" sentence="Rested" untilMs={NOW_MS - 1} />)).toBe('Rested');
  });
  test('of a gate stand worst first, each with what to do', () => {
    const findings: FindingData[] = [
      { rule: 'spread', verdict: 'pass', sentence: 'Spread 0.7 points' },
      { rule: 'inBand', verdict: 'stop', sentence: '2 of 5 in band', remedy: 'Let it dry' },
      { rule: 'stable', verdict: 'wait', sentence: 'One more session' },
    ];
    expect(words(<FindingList findings={findings} />)).toBe('2 of 5 in band Let it dry One more session Spread 0.7 points');
  });
});

describe('RouteLine', () => {
  const visit = {
    operationId: 'cut',
    operationName: 'Cut',
    stationName: 'Saw',
    stage: 'roughMill' as const,
    pass: 1,
    arrivedMs: NOW_MS - DAY_MS,
    startedMs: NOW_MS - DAY_MS,
    finishedMs: NOW_MS - HOUR_MS,
    leftMs: NOW_MS - HOUR_MS,
    good: 6,
    rework: 0,
    scrap: 0,
    touchMs: HOUR_MS,
    by: 'Ann',
  };
  const ahead = (operationId: string, operationName: string, hours: number, kind: 'work' | 'dwell' | 'fit' = 'work') => ({
    operationId,
    operationName,
    stage: 'machining' as const,
    kind,
    arriveMs: NOW_MS,
    leaveMs: NOW_MS + hours * HOUR_MS,
    needs: [],
  });
  const line = render(
    <RouteLine visits={[visit, { ...visit, pass: 2 }]} forecast={[ahead('rest', 'Rest', 2, 'dwell'), ahead('fit', 'Fit', 4, 'fit')]} />,
  );
  test('tells what is behind with its time, marks where it is, and gives the earliest ahead', () => {
    expect(wordsOf(line)).toBe('Cut 06:10 Cut, pass 2 06:10 Rest ≥ 09:10 Fit ≥ 11:10');
    expect(line.match(/aria-current="step"/g)).toHaveLength(1);
  });
  test('is solid behind and dashed ahead, and shows where streams join', () => {
    expect(line.match(/stroke-dasharray="4 4"/g)).toHaveLength(1);
    expect(line).toContain('M0 0L10 12');
  });
});

describe('QuickEntry', () => {
  test('shows what was understood, and what was not', () => {
    const parsed = parseNumbers('8.4 wet', 1);
    const markup = render(
      <QuickEntry
        label="Readings"
        text="8.4 wet"
        onChange={() => undefined}
        parsed={parsed}
        band={{ low: 7, high: 9 }}
        unit="%"
        hint="Type"
      />,
    );
    expect(wordsOf(markup)).toContain('"wet" is not a number'.replaceAll('"', '&quot;'));
    expect(labelsOf(markup)).toContain('Readings: band 7.0 to 9.0 %; 1 values, mean 8.4, 0 out of band');
    expect(markup).toContain('aria-invalid="true"');
  });
});

describe('Caution', () => {
  test('has the usual words for every hazard, and always defers to the sheet and the code', () => {
    for (const { key: kind } of CAUTIONS) {
      const text = words(<Caution kinds={[kind]} />);
      expect(text.length).toBeGreaterThan(120);
      expect(text).toContain("Follow the product's safety data sheet, your local code");
    }
    expect(render(<Caution kinds={[]} />)).toBe('');
  });
});

describe('ErrorNote', () => {
  test('says what failed in the server’s words, and offers a way on', () => {
    const problem = new ApiProblem({ status: 409, title: 'Changed meanwhile', detail: 'Batch B7 has changed since you opened it.' });
    expect(words(<ErrorNote error={problem} onRetry={() => undefined} />)).toBe(
      'Changed meanwhile Batch B7 has changed since you opened it. Try again',
    );
    expect(words(<ErrorNote error={new Error('Odd')} />)).toBe('Something went wrong Odd');
  });
});
