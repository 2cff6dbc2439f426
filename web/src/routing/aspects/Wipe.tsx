import { COMPONENTS } from '@ample-crane/core';
import { Choice, FigureField, Several, TextLine } from '../../parts/deskFields.tsx';
import { COMPONENT_CHOICES, useDesk } from '../context.ts';
import type { AspectEditor } from './aspect.ts';

const USUAL_MINUTES = 20;

/** The wipe of oily wood before it is glued, and how long it holds. */
function WipeEditor() {
  const { step, setup, readOnly, change } = useDesk();
  const { wipe: value, rig } = step;
  if (value === undefined && rig === undefined) return null;
  const woods = [...new Set(setup.models.flatMap((m) => m.wood.map((w) => w.species)))].sort();
  return (
    <>
      <Choice
        label="Wiped before it goes in"
        value={value === undefined ? '' : value.wood === undefined ? 'always' : 'some'}
        empty="not at all"
        readOnly={readOnly}
        choices={[
          ['always', 'whatever the wood'],
          ['some', 'only some wood'],
        ]}
        onChange={(which) => {
          const { withWhat = 'acetone', minutes = USUAL_MINUTES } = value ?? {};
          const wood = { component: step.component, in: value?.wood?.in ?? [] };
          change({ wipe: which === '' ? undefined : which === 'some' ? { withWhat, minutes, wood } : { withWhat, minutes } });
        }}
      />
      {value && (
        <>
          <TextLine
            label="With what"
            value={value.withWhat}
            readOnly={readOnly}
            onChange={(withWhat) => change({ wipe: { ...value, withWhat } })}
          />
          <FigureField
            label="Holds, min"
            value={value.minutes}
            min={1}
            max={1000}
            readOnly={readOnly}
            onChange={(minutes) => change({ wipe: { ...value, minutes: minutes ?? USUAL_MINUTES } })}
          />
        </>
      )}
      {value?.wood && (
        <>
          <Choice
            label="Wood of the"
            value={value.wood.component}
            readOnly={readOnly}
            choices={COMPONENT_CHOICES}
            onChange={(id) =>
              change({
                wipe: { ...value, wood: { in: value.wood?.in ?? [], component: COMPONENTS.find((c) => c === id) ?? step.component } },
              })
            }
          />
          <Several
            label="Species"
            values={value.wood.in}
            options={woods}
            free
            readOnly={readOnly}
            onChange={(list) => change({ wipe: { ...value, wood: { component: value.wood?.component ?? step.component, in: list } } })}
          />
        </>
      )}
    </>
  );
}

export const wipe: AspectEditor = { part: 'Places', Editor: WipeEditor };
