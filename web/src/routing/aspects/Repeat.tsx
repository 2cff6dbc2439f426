import type { Repeat } from '@ample-crane/core';
import { useDesk } from '../context.ts';
import { Choice, FigureField } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

const KINDS = [
  ['count', 'a number of rounds'],
  ['option', 'rounds by an option'],
  ['until accepted', 'until somebody accepts'],
] as const;

const kindOf = (repeat: Repeat | undefined): '' | (typeof KINDS)[number][0] =>
  repeat === undefined ? '' : repeat.kind === 'count' && repeat.timesByOption ? 'option' : repeat.kind;

/** After this step the batch goes back, so often or until somebody accepts. */
function LoopEditor() {
  const { route, step, readOnly, change } = useDesk();
  const { repeat } = step;
  const options = route.options ?? [];
  const backTo = repeat?.backTo ?? step.id;
  const choose = (kind: string) => {
    const [first] = options;
    if (kind === '') change({ repeat: undefined });
    else if (kind === 'until accepted') change({ repeat: { kind, backTo, maximum: 5, expected: 2 } });
    else if (kind === 'option')
      change({
        repeat: {
          kind: 'count',
          backTo,
          times: 1,
          timesByOption: { option: first?.id ?? '', times: Object.fromEntries((first?.values ?? []).map((v, i) => [v.id, i + 1])) },
        },
      });
    else change({ repeat: { kind: 'count', backTo, times: 2 } });
  };
  const byOption = repeat?.kind === 'count' ? repeat.timesByOption : undefined;
  const option = options.find((o) => o.id === byOption?.option);
  return (
    <>
      <Choice
        label="Goes round"
        value={kindOf(repeat)}
        empty="once"
        readOnly={readOnly}
        choices={KINDS.filter(([kind]) => kind !== 'option' || options.length > 0)}
        onChange={choose}
      />
      {repeat && (
        <Choice
          label="Back to"
          value={repeat.backTo}
          readOnly={readOnly}
          choices={route.operations.filter((o) => o.component === step.component).map((o) => [o.id, o.name])}
          onChange={(id) => change({ repeat: { ...repeat, backTo: id } })}
        />
      )}
      {repeat?.kind === 'count' && !byOption && (
        <FigureField
          label="Rounds"
          value={repeat.times}
          max={99}
          readOnly={readOnly}
          onChange={(times) => change({ repeat: { ...repeat, times: Math.round(times ?? 1) } })}
        />
      )}
      {repeat?.kind === 'count' && byOption && (
        <>
          <Choice
            label="Option"
            value={byOption.option}
            readOnly={readOnly}
            choices={options.map((o) => [o.id, o.name])}
            onChange={(id) => change({ repeat: { ...repeat, timesByOption: { option: id, times: {} } } })}
          />
          {option?.values.map((v) => (
            <FigureField
              key={v.id}
              label={`Rounds for ${v.name}`}
              value={byOption.times[v.id] ?? repeat.times}
              max={99}
              readOnly={readOnly}
              onChange={(n) =>
                change({ repeat: { ...repeat, timesByOption: { ...byOption, times: { ...byOption.times, [v.id]: Math.round(n ?? 1) } } } })
              }
            />
          ))}
        </>
      )}
      {repeat?.kind === 'until accepted' && (
        <>
          <FigureField
            label="Rounds at most"
            value={repeat.maximum}
            min={1}
            max={99}
            readOnly={readOnly}
            onChange={(n) => change({ repeat: { ...repeat, maximum: Math.round(n ?? 1) } })}
          />
          <FigureField
            label="Rounds expected"
            value={repeat.expected}
            min={1}
            max={99}
            readOnly={readOnly}
            onChange={(n) => change({ repeat: { ...repeat, expected: n ?? 1 } })}
          />
        </>
      )}
    </>
  );
}

export const repeat: AspectEditor = { part: 'Done more than once', Editor: LoopEditor };
