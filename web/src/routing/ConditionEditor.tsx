import { conditionInWords, type Component, type Condition } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { COMPONENT_CHOICES, useDesk } from './context.ts';
import { Choice, Several } from './fields.tsx';

type Simple = Extract<Condition, { kind: 'option' | 'species' | 'construction' }>;
const isSimple = (condition: Condition): condition is Simple =>
  condition.kind === 'option' || condition.kind === 'species' || condition.kind === 'construction';

/** When a step belongs to the route: for some choices, some wood, some constructions. */
export function ConditionEditor() {
  const { route, step, setup, readOnly, change } = useDesk();
  const { when } = step;
  const options = route.options ?? [];
  const negated = when?.kind === 'not';
  const inner = negated ? when.of : when;
  if (when && inner && !isSimple(inner))
    return (
      <Typography variant="body2">
        Done {conditionInWords(when, options)}. Rules of several parts are changed in the route’s JSON.
      </Typography>
    );
  const put = (condition: Simple, not = negated) => change({ when: not ? { kind: 'not', of: condition } : condition });
  const choose = (kind: string) => {
    if (kind === '') return change({ when: undefined });
    if (kind === 'option')
      return put({ kind, option: options[0]?.id ?? '', in: options[0]?.values.slice(1, 2).map((v) => v.id) ?? [] }, false);
    if (kind === 'species') return put({ kind, component: step.component === 'instrument' ? 'body' : step.component, in: [] }, false);
    return put({ kind: 'construction', in: [] }, false);
  };
  const option = inner?.kind === 'option' ? options.find((o) => o.id === inner.option) : undefined;
  const species = [...new Set(setup.models.flatMap((m) => m.wood.map((w) => w.species)))].sort();
  return (
    <>
      <Choice
        label="Done for"
        value={inner?.kind ?? ''}
        empty="every order"
        readOnly={readOnly}
        choices={[
          ...(options.length > 0 ? [['option', 'some choices'] as const] : []),
          ['species', 'some wood'],
          ['construction', 'some constructions'],
        ]}
        onChange={choose}
      />
      {inner && isSimple(inner) && (
        <Choice
          label="Which"
          value={negated ? 'not' : 'only'}
          readOnly={readOnly}
          choices={[
            ['only', 'only for these'],
            ['not', 'for all but these'],
          ]}
          onChange={(value) => put(inner, value === 'not')}
        />
      )}
      {inner?.kind === 'option' && (
        <>
          <Choice
            label="Option"
            value={inner.option}
            readOnly={readOnly}
            choices={options.map((o) => [o.id, o.name])}
            onChange={(id) => put({ ...inner, option: id, in: [] })}
          />
          <Several
            label="Chosen"
            values={inner.in.map((id) => option?.values.find((v) => v.id === id)?.name ?? id)}
            options={option?.values.map((v) => v.name) ?? []}
            readOnly={readOnly}
            onChange={(names) => put({ ...inner, in: names.map((n) => option?.values.find((v) => v.name === n)?.id ?? n) })}
          />
        </>
      )}
      {inner?.kind === 'species' && (
        <>
          <Choice
            label="Wood of the"
            value={inner.component}
            readOnly={readOnly}
            choices={COMPONENT_CHOICES}
            onChange={(component) => put({ ...inner, component: component as Component })}
          />
          <Several
            label="Species"
            values={inner.in}
            options={species}
            free
            readOnly={readOnly}
            onChange={(list) => put({ ...inner, in: list })}
          />
        </>
      )}
      {inner?.kind === 'construction' && (
        <Several
          label="Constructions"
          values={inner.in}
          options={[...new Set(setup.models.map((m) => m.construction))]}
          free
          readOnly={readOnly}
          onChange={(list) => put({ ...inner, in: list })}
        />
      )}
    </>
  );
}
