import { COMPONENTS, conditionInWords, type Component, type Condition } from '@ample-crane/core';
import { Button, Stack, Typography } from '@mui/material';
import { useId } from 'react';
import { COMPONENT_CHOICES, useDesk } from '../context.ts';
import { Choice, Several } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

type Kind = Condition['kind'];
type Part<K extends Kind> = Extract<Condition, { kind: K }>;
type Plain = Exclude<Condition, { kind: 'not' }>;
type Group = Part<'all' | 'any'>;

interface Edited<C extends Condition> {
  condition: C;
  onChange: (condition: C) => void;
}

/** When a step belongs to the route: for some choices, some wood, some constructions, or several such rules together. */
function ConditionEditor() {
  const { route, step, change } = useDesk();
  const { when } = step;
  return (
    <>
      {when && isGroup(when) && when.of.length > 0 && (
        <Typography variant="body2">Done if {conditionInWords(when, route.options)}.</Typography>
      )}
      <Rule label="Done for" none="every order" groups={['all', 'any']} condition={when} onChange={(next) => change({ when: next })} />
    </>
  );
}

interface RuleProps {
  label: string;
  /** what it is called that there is no rule */
  none: string;
  /** which of several rules it is, as in 2.1 */
  number?: string;
  /** in which ways it may consist of several rules */
  groups: readonly Group['kind'][];
  condition: Condition | undefined;
  onChange: (condition: Condition | undefined) => void;
}

function Rule({ label, none, number, groups, condition, onChange }: RuleProps) {
  const { route, readOnly } = useDesk();
  const begin = useNewRule();
  const negated = condition?.kind === 'not';
  const plain = condition && plainOf(condition);
  const put = (next: Plain, not = negated) => onChange(not ? { kind: 'not', of: next } : next);
  const choose = (kind: string) => {
    if (kind === '') return onChange(undefined);
    if (!plain) return onChange(begin(kind as Plain['kind']));
    // Rules that are there already are kept: one becomes the first of several, several go over into all or any.
    if (kind === 'all' || kind === 'any')
      return onChange({ kind, of: isGroup(plain) ? plain.of.flatMap((part) => (part.kind === kind ? part.of : [part])) : [condition] });
    const kept = isGroup(plain) ? plain.of.find((part) => plainOf(part).kind === kind) : undefined;
    return onChange(kept ?? begin(kind as Plain['kind']));
  };
  return (
    <>
      <Choice
        label={label}
        value={plain?.kind ?? ''}
        empty={none}
        readOnly={readOnly}
        choices={[
          ...((route.options ?? []).length > 0 ? [['option', 'some choices'] as const] : []),
          ['species', 'some wood'],
          ['construction', 'some constructions'],
          ...groups.map((group) => [group, GROUP_WORDS[group]] as const),
        ]}
        onChange={choose}
      />
      {plain && !isGroup(plain) && (
        <Choice
          label="Which"
          value={negated ? 'not' : 'only'}
          readOnly={readOnly}
          choices={[
            ['only', 'only for these'],
            ['not', 'for all but these'],
          ]}
          onChange={(value) => put(plain, value === 'not')}
        />
      )}
      {plain?.kind === 'option' && <ChosenFields condition={plain} onChange={put} />}
      {plain?.kind === 'species' && <WoodFields condition={plain} onChange={put} />}
      {plain?.kind === 'construction' && <ConstructionField condition={plain} onChange={put} />}
      {plain && isGroup(plain) && <Rules condition={plain} within={number} groups={groups} onChange={put} />}
    </>
  );
}

/** Several rules together, each of which may be several again. */
function Rules({ condition, within, groups, onChange }: Edited<Group> & Pick<RuleProps, 'groups'> & { within: string | undefined }) {
  const { readOnly } = useDesk();
  const begin = useNewRule();
  const heading = useId();
  const parts = condition.of;
  // All of all is all: what is inside is the other kind, and two levels can say everything.
  const inside = groups.length === 2 ? groups.filter((kind) => kind !== condition.kind) : [];
  const numberOf = (i: number) => (within === undefined ? '' : `${within}.`) + (i + 1);
  const replace = (at: number, next: Condition | undefined) =>
    onChange({ ...condition, of: parts.flatMap((part, i) => (i !== at ? [part] : next ? [next] : [])) });
  return (
    <>
      <Stack spacing={1.5} role="list" aria-label={condition.kind === 'all' ? 'Rules that must all fit' : 'Rules of which any must fit'}>
        {parts.map((part, i) => (
          // Rules have no name of their own, and none keeps anything that is not in the route.
          <Stack
            key={i}
            role="listitem"
            aria-labelledby={`${heading}-${i}`}
            spacing={1.5}
            sx={{ borderLeft: 2, borderColor: 'divider', pl: 1.5 }}
          >
            <Typography id={`${heading}-${i}`} variant="subtitle2" component="h4">
              Rule {numberOf(i)}
            </Typography>
            <Rule
              label="Fits"
              none="nothing: take this rule out"
              number={numberOf(i)}
              groups={inside}
              condition={part}
              onChange={(next) => replace(i, next)}
            />
          </Stack>
        ))}
      </Stack>
      {!readOnly && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => onChange({ ...condition, of: [...parts, begin('construction')] })}>
          Add a rule
        </Button>
      )}
    </>
  );
}

function ChosenFields({ condition, onChange }: Edited<Part<'option'>>) {
  const { route, readOnly } = useDesk();
  const options = route.options ?? [];
  const values = options.find((o) => o.id === condition.option)?.values ?? [];
  return (
    <>
      <Choice
        label="Option"
        value={condition.option}
        readOnly={readOnly}
        choices={options.map((o) => [o.id, o.name])}
        onChange={(option) => onChange({ ...condition, option, in: [] })}
      />
      <Several
        label="Chosen"
        values={condition.in.map((id) => values.find((v) => v.id === id)?.name ?? id)}
        options={values.map((v) => v.name)}
        readOnly={readOnly}
        onChange={(names) => onChange({ ...condition, in: names.map((n) => values.find((v) => v.name === n)?.id ?? n) })}
      />
    </>
  );
}

function WoodFields({ condition, onChange }: Edited<Part<'species'>>) {
  const { setup, readOnly } = useDesk();
  return (
    <>
      <Choice
        label="Wood of the"
        value={condition.component}
        readOnly={readOnly}
        choices={COMPONENT_CHOICES}
        onChange={(id) => onChange({ ...condition, component: COMPONENTS.find((c) => c === id) ?? condition.component })}
      />
      <Several
        label="Species"
        values={condition.in}
        options={[...new Set(setup.models.flatMap((m) => m.wood.map((w) => w.species)))].sort()}
        free
        readOnly={readOnly}
        onChange={(list) => onChange({ ...condition, in: list })}
      />
    </>
  );
}

function ConstructionField({ condition, onChange }: Edited<Part<'construction'>>) {
  const { setup, readOnly } = useDesk();
  return (
    <Several
      label="Constructions"
      values={condition.in}
      options={[...new Set(setup.models.map((m) => m.construction))]}
      free
      readOnly={readOnly}
      onChange={(list) => onChange({ ...condition, in: list })}
    />
  );
}

/** A rule without the "not" around it. */
const plainOf = (condition: Condition): Plain => (condition.kind === 'not' ? plainOf(condition.of) : condition);

const GROUP_WORDS = { all: 'orders that several rules all fit', any: 'orders that any of several rules fits' } as const;
const isGroup = (condition: Condition): condition is Group => condition.kind === 'all' || condition.kind === 'any';

/** A rule of a kind as it begins: about the first option's unusual values, or about nothing yet. */
function useNewRule() {
  const { route, step } = useDesk();
  const component: Component = step.component === 'instrument' ? 'body' : step.component;
  return (kind: Plain['kind']): Plain => {
    const [option] = route.options ?? [];
    switch (kind) {
      case 'option':
        return { kind, option: option?.id ?? '', in: option?.values.slice(1, 2).map((v) => v.id) ?? [] };
      case 'species':
        return { kind, component, in: [] };
      case 'construction':
        return { kind, in: [] };
      case 'all':
      case 'any':
        return { kind, of: [] };
    }
  };
}

export const when: AspectEditor = { part: 'Only for some orders', Editor: ConditionEditor };
