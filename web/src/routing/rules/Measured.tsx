import { useDesk } from '../context.ts';
import { Choice } from '../../parts/deskFields.tsx';

interface Props {
  label?: string;
  value: string | undefined;
  onChange: (characteristic: string) => void;
}

/** What a rule looks at, of all that is measured on the route. */
export function Measured({ label = 'Of what', value, onChange }: Props) {
  const { route } = useDesk();
  const measured = route.operations.flatMap((o) => (o.characteristics ?? []).map((c) => [c.id, c.name] as const));
  return <Choice label={label} value={value ?? ''} choices={measured} onChange={onChange} />;
}
