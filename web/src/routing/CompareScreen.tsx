import { compareRoutes, type Operation, type StepChange } from '@ample-crane/core';
import { Box, Link, Stack, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useMemo } from 'react';
import { Link as RouterLink, useParams, useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useRoute, useRoutes } from '../ground/queries.ts';
import { Answer, Figure } from '../parts/Answer.tsx';
import { Screen } from '../parts/Screen.tsx';
import { Choice } from '../parts/deskFields.tsx';
import { RouteMap, type StepTone } from './RouteMap.tsx';
import { fieldInWords } from './fieldWords.ts';

/** Two versions of a route, the earlier above the later, with what differs marked. */
export default function CompareScreen() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const query = useRoute(id);
  const routes = useRoutes();
  const own = query.data?.version;
  const others = (routes.data ?? []).filter((v) => v.modelId === own?.modelId && v.id !== id);
  const before = others.filter((v) => v.version < (own?.version ?? 0)).sort((a, b) => b.version - a.version);
  const otherId = search.get('with') ?? (before[0] ?? others[0])?.id ?? '';
  const other = useRoute(otherId, otherId !== '');
  return (
    <Screen title={own ? `${own.modelName}: what changes` : 'What changes'} query={query}>
      {(view) =>
        others.length === 0 ? (
          <Answer>There is no other version yet.</Answer>
        ) : (
          <>
            {other.data && <Comparison views={[view, other.data]} />}
            <Box sx={{ maxWidth: 420, my: 2 }}>
              <Choice
                label={`Version ${view.version.version} beside`}
                value={otherId}
                choices={others.map((v) => [v.id, `version ${v.version}, ${v.state}${v.inForce ? ', in force' : ''}`])}
                onChange={(value) => setSearch({ with: value })}
              />
            </Box>
          </>
        )
      }
    </Screen>
  );
}

function Comparison({ views }: { views: [View<'RouteView'>, View<'RouteView'>] }) {
  const [earlier, later] = views[0].version.version < views[1].version.version ? views : [views[1], views[0]];
  const changes = useMemo(() => {
    const route = ({ version, graph }: View<'RouteView'>) => ({
      id: version.id,
      modelId: version.modelId,
      version: version.version,
      ...graph,
    });
    return compareRoutes(route(earlier), route(later));
  }, [earlier, later]);
  const differing = changes.filter((c) => c.kind !== 'same');
  const tones = (kinds: readonly StepTone[]) =>
    new Map(changes.flatMap((c): [string, StepTone][] => (c.kind !== 'same' && kinds.includes(c.kind) ? [[c.operationId, c.kind]] : [])));
  const count = (kind: StepTone) => changes.filter((c) => c.kind === kind).length;
  return (
    <>
      <Answer>
        {differing.length === 0 ? (
          'The two are alike.'
        ) : (
          <>
            Steps: <Figure>{count('added')}</Figure> new, <Figure>{count('removed')}</Figure> gone, <Figure>{count('changed')}</Figure> done
            otherwise.
          </>
        )}
      </Answer>
      {differing.length > 0 && <Differences changes={differing} earlier={earlier} later={later} />}
      <Link component={RouterLink} to={priceOf(earlier.version, later.version)} sx={{ display: 'inline-block', mb: 2 }}>
        What the change comes to: hours, places, days
      </Link>
      <Stack spacing={2}>
        {[earlier, later].map((view, i) => (
          <Box key={view.version.id}>
            <Typography variant="h3" sx={{ mb: 0.5 }}>
              Version {view.version.version}, {view.version.state}
              {view.version.reason !== '' && `: ${view.version.reason}`}
            </Typography>
            <RouteMap
              label={`Version ${view.version.version}`}
              route={view.graph}
              tones={tones(i === 0 ? ['removed', 'changed'] : ['added', 'changed'])}
            />
          </Box>
        ))}
      </Stack>
    </>
  );
}

const priceOf = (earlier: View<'RouteVersionView'>, later: View<'RouteVersionView'>): string =>
  `/flow?${new URLSearchParams({ by: 'policy', model: earlier.modelId, routeId: earlier.id, thenRouteId: later.id }).toString()}`;

const WORDS: Readonly<Record<StepTone, string>> = { added: 'new', removed: 'gone', changed: 'done otherwise' };

interface DifferencesProps {
  changes: readonly StepChange[];
  earlier: View<'RouteView'>;
  later: View<'RouteView'>;
}

function Differences({ changes, earlier, later }: DifferencesProps) {
  return (
    <Table size="small" sx={{ my: 2 }} aria-label="Differences">
      <TableHead>
        <TableRow>
          <TableCell>Step</TableCell>
          <TableCell>What</TableCell>
          <TableCell>Version {earlier.version.version}</TableCell>
          <TableCell>Version {later.version.version}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {changes.flatMap((c) =>
          c.kind === 'changed'
            ? c.fields.map((field) => (
                <TableRow key={`${c.operationId}/${field}`}>
                  <TableCell>{c.after?.name}</TableCell>
                  <TableCell>{fieldInWords(field as keyof Operation).name}</TableCell>
                  <TableCell>{fieldInWords(field as keyof Operation).of(c.before, earlier.graph)}</TableCell>
                  <TableCell sx={{ fontWeight: 700 }}>{fieldInWords(field as keyof Operation).of(c.after, later.graph)}</TableCell>
                </TableRow>
              ))
            : [
                <TableRow key={c.operationId}>
                  <TableCell>{(c.after ?? c.before)?.name}</TableCell>
                  <TableCell>{c.kind === 'same' ? '' : WORDS[c.kind]}</TableCell>
                  <TableCell>{c.before?.name ?? ''}</TableCell>
                  <TableCell sx={{ fontWeight: 700 }}>{c.after?.name ?? ''}</TableCell>
                </TableRow>,
              ],
        )}
      </TableBody>
    </Table>
  );
}
