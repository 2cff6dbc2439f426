import { PROGRAM_STATES } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import type { Severity } from '../parts/Finding.tsx';
import { FoundList } from '../parts/FoundList.tsx';
import { isFor, STATE_WORDS } from './programWords.ts';

type Program = View<'ProgramLineView'>;

const markOf = ({ state, wanted }: Program): Severity => (state === 'released' ? 'ready' : wanted ? 'stop' : 'waiting');

interface Props {
  all: readonly Program[];
  here: Program;
  onOpen: (id: string) => void;
}

/** Every program: what orders wait for first. */
export const ProgramList = ({ all, here, onOpen }: Props) => (
  <FoundList
    title="Programs"
    hereId={here.id}
    states={PROGRAM_STATES.map((state) => [state, STATE_WORDS[state]])}
    onOpen={onOpen}
    lines={all.map((p) => ({
      id: p.id,
      severity: markOf(p),
      state: p.state,
      title: `${p.what}, ${p.modelName}`,
      said: [isFor(p), standing(p)].filter((said) => said !== '').join(' · '),
      words: [p.side, p.owner ?? '', ...p.serves],
    }))}
  />
);

function standing({ state, released, latest, owner }: Program): string {
  if (released !== null) return `revision ${released}${latest !== null && latest !== released ? `, ${latest} is being written` : ''}`;
  const who = owner === null ? 'nobody writes it' : owner;
  return `${STATE_WORDS[state]}${latest === null ? '' : `, revision ${latest}`} · ${who}`;
}
