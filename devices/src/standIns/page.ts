import type { StandIn } from './standIn.ts';

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const text = (value: string): string => value.replace(/[&<>"]/g, (c) => ESCAPES[c] ?? c);

const STYLE = `
body { font: 17px/1.4 system-ui, sans-serif; margin: 0; padding: 16px; background: #f7f4ed; color: #22282b; }
h1 { font-size: 22px; margin: 0 0 4px; }
main { display: grid; gap: 12px; grid-template-columns: repeat(auto-fill, minmax(min(320px, 100%), 1fr)); }
section { background: #fffdf8; border: 1px solid #ddd5c5; border-radius: 6px; padding: 12px; }
h2 { font-size: 17px; margin: 0; }
p { margin: 4px 0 8px; }
form { display: flex; flex-wrap: wrap; gap: 8px; align-items: end; margin: 0 0 8px; }
label { display: grid; font-size: 14px; }
input, select, button { font: inherit; min-height: 44px; box-sizing: border-box; padding: 0 10px; }
input { width: 8.5em; }
ul { margin: 0; padding-left: 18px; font-size: 14px; overflow-wrap: anywhere; }
`;

const button = (act: string, label: string): string => `<button name="act" value="${act}">${label}</button>`;

function handTool({ units }: StandIn): string {
  return `<label>It shows <input name="value" inputmode="decimal" required></label>
<label>Unit <select name="unit">${units.map((u) => `<option>${u}</option>`).join('')}</select></label>
${button('press', 'Press its button')}`;
}

function machine({ machine: stands }: StandIn): string {
  if (!stands) return '';
  const { state, program, parts, cutters } = stands.tells();
  const counted = cutters.map((c) => `${text(c.cutter)} ${c.minutes} min`).join(', ');
  return `<p>${state}, ${program === null ? 'no program' : text(program)}, ${parts} parts${counted === '' ? '' : `; ${counted}`}</p>
<label>Program <input name="program" value="${text(program ?? '')}" style="width:12em"></label>
<label>Parts a cycle <input name="parts" inputmode="numeric" value="2" style="width:5em"></label>
<label>Cutters, min in a cycle <input name="cutters" value="12 mm rougher = 6; 6 mm finisher = 7" style="width:19em"></label>
<label>Seconds <input name="seconds" inputmode="numeric" value="5" style="width:5em"></label>
${button('load', 'Load')}${button('run', 'Run a cycle')}${button('hold', 'Hold feed')}${button('goOn', 'Go on')}${button('fault', 'Fault')}${button('clear', 'Clear it')}`;
}

const sensor = ({ isSilent }: StandIn): string => button('silent', isSilent ? 'Speak again' : 'Fall silent');

function card(standIn: StandIn): string {
  const { of, device, answers } = standIn;
  const body = standIn.machine ? machine(standIn) : standIn.units.length > 0 ? handTool(standIn) : sensor(standIn);
  const waits = device.waiting === 0 ? '' : `, ${device.waiting} without an answer`;
  return `<section aria-label="${text(of.name)}"><h2>${text(of.name)}</h2>
<p>${of.id}: ${device.connected ? 'on the line' : 'not on the line'}${waits}</p>
<form method="post" action="/${of.id}">${body}</form>
<ul>${answers.map((a) => `<li>${text(a)}</li>`).join('')}</ul></section>`;
}

/** The stand-ins' own small page: no script, a form each. */
export const pageOf = (standIns: readonly StandIn[]): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Stand-in devices</title><style>${STYLE}</style></head>
<body><h1>Stand-in devices</h1>
<p>These are no instruments: they stand in for them, and speak as they would. Nothing here is measured.</p>
<main>${standIns.map(card).join('\n')}</main></body></html>`;
