/** What several people measured, each line one part: `Ann: 10.02 10.03`. A person's lines are the parts in their order. */
export interface TypedStudy {
  people: { name: string; parts: { again: number[] }[] }[];
  problems: string[];
}

export function parseStudy(text: string): TypedStudy {
  const people = new Map<string, { name: string; parts: { again: number[] }[] }>();
  const problems: string[] = [];
  text.split('\n').forEach((typed, i) => {
    const line = typed.trim();
    if (line === '') return;
    const [, name = '', figures = ''] = /^([^:]+):(.*)$/.exec(line) ?? [];
    const again = figures
      .trim()
      .split(/[\s;]+/)
      .map((word) => Number(word.replace(',', '.')));
    if (name.trim() === '' || figures.trim() === '' || !again.every(Number.isFinite)) {
      problems.push(`Line ${i + 1}: "${line}" is not a name, a colon and figures`);
      return;
    }
    const key = name.trim().toLowerCase();
    const person = people.get(key) ?? { name: name.trim(), parts: [] };
    person.parts.push({ again });
    people.set(key, person);
  });
  return { people: [...people.values()], problems };
}
