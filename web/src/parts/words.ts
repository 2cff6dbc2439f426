import type { Component } from '@ample-crane/core';

const PLURALS: Record<Component, string> = { body: 'bodies', neck: 'necks', instrument: 'instruments' };

/** "6 bodies", "1 neck" */
export const pieces = (count: number, component: Component) => `${count} ${count === 1 ? component : PLURALS[component]}`;

/** "1 batch", "4 batches" */
export const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

const STATUS_WORDS: Record<string, string> = {
  queued: 'waits its turn',
  running: 'being worked on',
  paused: 'paused',
  finished: 'done here, at its gate',
  dwelling: 'dwelling',
  held: 'held',
  done: 'done',
};

export const statusWords = (status: string) => STATUS_WORDS[status] ?? status;
