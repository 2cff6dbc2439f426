import { FLOORS } from './floors.cjs';

const WIDTH = 1180;
const LABEL = 92;
const ROOM_HEIGHT = 30;
const GAP = 8;
const HOUSE_GAP = 46;

/** What each house is, from the roof down. */
const HOUSES = [
  ['web', 'React: screens, judging with core where there is no network'],
  ['server', 'NestJS and PostgreSQL: the logbook, and what is asked of it'],
  ['core', 'pure computation and judgement'],
];

/** The drawing of the houses: each floor a row, the ground lowest. A room uses only what lies below it, and core. */
export function drawHouse() {
  const parts = [];
  let y = 10;
  for (const [house, what] of HOUSES) {
    const floors = FLOORS[house].flatMap(rowsOf);
    const height = floors.length * (ROOM_HEIGHT + GAP) + GAP;
    parts.push(`<text x="10" y="${y + 16}" class="name">${house}</text><text x="${LABEL}" y="${y + 16}" class="what">${what}</text>`);
    y += 26;
    parts.push(`<rect x="10" y="${y}" width="${WIDTH - 20}" height="${height}" class="house"/>`);
    [...floors].reverse().forEach((rooms, row) => {
      const top = y + GAP + row * (ROOM_HEIGHT + GAP);
      const width = (WIDTH - 20 - GAP * (rooms.length + 1)) / rooms.length;
      rooms.forEach((room, i) => {
        const x = 10 + GAP + i * (width + GAP);
        parts.push(`<rect x="${x.toFixed(1)}" y="${top}" width="${width.toFixed(1)}" height="${ROOM_HEIGHT}" class="room"/>`);
        parts.push(`<text x="${(x + width / 2).toFixed(1)}" y="${top + 20}" class="label">${room}</text>`);
      });
    });
    y += height + HOUSE_GAP;
  }
  const height = y - HOUSE_GAP + 10;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${height}" viewBox="0 0 ${WIDTH} ${height}" role="img" aria-label="The rooms of web, server and core, floor by floor">
<style>text{font-family:sans-serif;fill:#1f2a2e}.name{font-size:16px;font-weight:700}.what{font-size:13px}.label{font-size:13px;text-anchor:middle}.house{fill:#eef2f0;stroke:#5b6b66}.room{fill:#fff;stroke:#5b6b66}</style>
<rect width="100%" height="100%" fill="#fff"/>
${parts.join('\n')}
</svg>
`;
}

/** A floor of many rooms is drawn in rows of nine at most; it is one floor all the same. */
function rowsOf(rooms) {
  const rows = Math.ceil(rooms.length / 9);
  const each = Math.ceil(rooms.length / rows);
  return Array.from({ length: rows }, (_, i) => rooms.slice(i * each, (i + 1) * each));
}
