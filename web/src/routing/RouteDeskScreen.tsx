import { changeStep, checkRoute, simplestRoute, type Route, type RouteProblem, type RouteWorld } from '@ample-crane/core';
import { Box, Button, Link, Paper, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useCallback, useMemo, useState, type KeyboardEvent } from 'react';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCarriers, useCommand, useRoute, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { SeverityMark } from '../parts/Finding.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { DeskContext } from './context.ts';
import { JsonActs } from './JsonActs.tsx';
import { OptionsPanel } from './OptionsPanel.tsx';
import { ReleaseDialog } from './ReleaseDialog.tsx';
import { RouteMap } from './RouteMap.tsx';
import { StepPanel } from './StepPanel.tsx';
import { useDraft } from './useDraft.ts';
import { WalkThroughPanel } from './WalkThrough.tsx';
import { WorkToMove } from './WorkToMove.tsx';

/** One version of a route: drawn, checked, edited while it is a draft, walked through, released. */
export default function RouteDeskScreen() {
  const { id = '' } = useParams();
  const query = useRoute(id);
  const setup = useSetup();
  const carriers = useCarriers();
  const title = query.data ? `${query.data.version.modelName}, version ${query.data.version.version}` : 'Route';
  return (
    <Screen title={title} query={query} actions={<RouterLinkButton to="/setup/routes" label="All routes" />}>
      {(view) =>
        setup.data && carriers.data ? (
          // A draft that somebody else has saved since is a new one to edit.
          <Desk
            key={`${view.version.id}/${view.version.revision}/${view.version.state}`}
            view={view}
            setup={setup.data}
            carriers={carriers.data}
          />
        ) : null
      }
    </Screen>
  );
}

const RouterLinkButton = ({ to, label }: { to: string; label: string }) => (
  <Button component={RouterLink} to={to}>
    {label}
  </Button>
);

type Panel = 'step' | 'options' | 'walk';

interface DeskProps {
  view: View<'RouteView'>;
  setup: View<'SetupView'>;
  carriers: readonly View<'CarrierView'>[];
}

function Desk({ view, setup, carriers }: DeskProps) {
  const { may } = useSession();
  const { version, graph } = view;
  const saved = useMemo<Route>(
    () => ({ id: version.id, modelId: version.modelId, version: version.version, ...graph }),
    [version.id, version.modelId, version.version, graph],
  );
  const draft = useDraft(saved, version.revision);
  const { route } = draft;
  const readOnly = version.state !== 'draft' || !may('lead');
  const model = setup.models.find((m) => m.id === version.modelId);
  const world = useMemo(() => worldOf(setup, carriers, model), [setup, carriers, model]);
  const problems = useMemo(() => (route.operations.length === 0 ? [] : checkRoute(route, world)), [route, world]);
  const [selectedId, setSelectedId] = useState<string | null>(route.operations[0]?.id ?? null);
  const [panel, setPanel] = useState<Panel>('step');
  const step = route.operations.find((o) => o.id === selectedId);
  const select = useCallback((id: string) => {
    setSelectedId(id);
    setPanel('step');
  }, []);
  const onKey = (event: KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    event.preventDefault();
    if (event.shiftKey) draft.redo();
    else draft.undo();
  };
  const putRoute = (next: Route, selectId: string | null) => {
    draft.change(next);
    setSelectedId(selectId);
  };
  return (
    <Box onKeyDown={readOnly ? undefined : onKey}>
      <Headline version={version} problems={problems} route={route} />
      {route.operations.length === 0 ? (
        <Begin route={route} setup={setup} readOnly={readOnly} onRoute={putRoute} />
      ) : (
        <Box
          sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 350px' }, gap: 2, alignItems: 'start' }}
        >
          <Box sx={{ minWidth: 0 }}>
            <RouteMap
              label={`Route of ${version.modelName}`}
              route={route}
              selectedId={selectedId}
              onSelect={select}
              faulty={new Set(problems.flatMap((p) => p.operationId ?? []))}
            />
            <DraftActs view={view} draft={draft} readOnly={readOnly} problems={problems} />
            <Problems problems={problems} onSelect={select} />
            {version.state === 'released' && <WorkToMove version={version} />}
          </Box>
          <Paper
            sx={{ p: 2, maxHeight: 'calc(100vh - 150px)', overflow: 'auto', minWidth: 0 }}
            tabIndex={0}
            role="region"
            aria-label="Details"
          >
            <ToggleButtonGroup
              exclusive
              size="small"
              value={panel}
              onChange={(_, value: Panel | null) => value && setPanel(value)}
              aria-label="What is shown beside the route"
              sx={{ mb: 2 }}
            >
              <ToggleButton value="step">Step</ToggleButton>
              <ToggleButton value="options">Options</ToggleButton>
              <ToggleButton value="walk">Walk-through</ToggleButton>
            </ToggleButtonGroup>
            {panel === 'step' && step && (
              <DeskContext value={{ route, step, setup, readOnly, change: (fields) => draft.change(changeStep(route, step.id, fields)) }}>
                <StepPanel
                  key={step.id}
                  problems={problems.filter((p) => p.operationId === step.id).map((p) => p.message)}
                  onRoute={putRoute}
                />
              </DeskContext>
            )}
            {panel === 'options' && (
              <OptionsPanel
                route={route}
                readOnly={readOnly}
                species={setup.species.map((s) => s.name)}
                currency={setup.house.currency}
                onRoute={draft.change}
              />
            )}
            {panel === 'walk' && (
              <WalkThroughPanel route={route} facts={world.facts} batchSize={model?.batchSize ?? 6} adhesives={setup.adhesives} />
            )}
          </Paper>
        </Box>
      )}
    </Box>
  );
}

function Headline({ version, problems, route }: { version: View<'RouteVersionView'>; problems: readonly RouteProblem[]; route: Route }) {
  const { date } = useSession();
  return (
    <Answer>
      {version.state === 'draft' ? 'A draft' : version.state === 'retired' ? 'Set aside' : version.inForce ? 'In force' : 'Released'}
      {version.effectiveMs !== null && ` since ${date(version.effectiveMs)}`}: <Figure>{route.operations.length}</Figure> steps.{' '}
      {route.operations.length === 0
        ? 'Nothing is described yet.'
        : problems.length === 0
          ? 'Nothing keeps it from being built.'
          : `${counted(problems.length, 'thing keeps', 'things keep')} it from being built.`}{' '}
      {version.inWork > 0 && <>{counted(version.inWork, 'batch is', 'batches are')} on it.</>}{' '}
      {version.reason !== '' && <>{version.reason}.</>}
    </Answer>
  );
}

function Problems({ problems, onSelect }: { problems: readonly RouteProblem[]; onSelect: (id: string) => void }) {
  return (
    <Box component="ul" aria-label="What keeps it from being built" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
      {problems.map((p) => (
        <Box component="li" key={`${p.operationId}/${p.message}`} sx={{ display: 'flex', gap: 1, py: 0.5, alignItems: 'flex-start' }}>
          <SeverityMark severity="stop" />
          <Typography sx={{ flex: 1 }}>{p.message}</Typography>
          {p.operationId !== null && <Button onClick={() => onSelect(p.operationId ?? '')}>Show</Button>}
        </Box>
      ))}
    </Box>
  );
}

interface DraftActsProps {
  view: View<'RouteView'>;
  draft: ReturnType<typeof useDraft>;
  readOnly: boolean;
  problems: readonly RouteProblem[];
}

function DraftActs({ view, draft, readOnly, problems }: DraftActsProps) {
  const { may } = useSession();
  const navigate = useNavigate();
  const { version } = view;
  const { route } = draft;
  const [releasing, setReleasing] = useState(false);
  const params = { path: { id: version.id } };
  const save = useCommand((body: View<'SaveDraftDto'>, headers) => ask(client.PUT('/api/routes/{id}', { params, body, headers })));
  const discard = useCommand(
    (body: View<'DiscardRouteDto'>, headers) => ask(client.POST('/api/routes/{id}/discard', { params, body, headers })),
    () => void navigate('/setup/routes'),
  );
  const next = useCommand(
    (body: View<'DraftDto'>, headers) => ask(client.POST('/api/routes', { body, headers })),
    ({ id }) => void navigate(`/setup/routes/${id}`),
  );
  // What the API takes has no readonly lists; the route is copied as it goes out.
  const graph = () =>
    structuredClone({ operations: route.operations, options: route.options ?? [] }) as Omit<View<'SaveDraftDto'>, 'revision'>;
  return (
    <Stack spacing={1} sx={{ my: 1.5 }}>
      <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap', alignItems: 'center' }}>
        {readOnly ? (
          version.state !== 'draft' &&
          may('lead') && (
            <Button
              variant="contained"
              loading={next.isPending}
              onClick={() => next.mutate({ modelId: version.modelId, fromRouteId: version.id })}
            >
              Draft the next version from this
            </Button>
          )
        ) : (
          <>
            <Button
              variant="contained"
              disabled={!draft.dirty}
              loading={save.isPending}
              onClick={() => save.mutate({ ...graph(), revision: version.revision })}
            >
              Save the draft
            </Button>
            <Button disabled={!draft.canUndo} onClick={draft.undo}>
              Undo
            </Button>
            <Button disabled={!draft.canRedo} onClick={draft.redo}>
              Redo
            </Button>
            {may('manager') && (
              <Button variant="outlined" disabled={draft.dirty || problems.length > 0} onClick={() => setReleasing(true)}>
                Release…
              </Button>
            )}
            <Button color="inherit" loading={discard.isPending} onClick={() => discard.mutate({ revision: version.revision })}>
              Set the draft aside
            </Button>
          </>
        )}
        <JsonActs route={route} {...(readOnly ? {} : { onRoute: draft.change })} />
        <Link component={RouterLink} to={`/setup/routes/${version.id}/compare`}>
          Compare with another version
        </Link>
      </Stack>
      {draft.dirty && <Typography color="text.secondary">Changed and not saved yet; kept on this device meanwhile.</Typography>}
      {[save.error, discard.error, next.error].map((error, i) => error && <ErrorNote key={i} error={error} />)}
      {releasing && <ReleaseDialog version={version} onClose={() => setReleasing(false)} />}
    </Stack>
  );
}

interface BeginProps {
  route: Route;
  setup: View<'SetupView'>;
  readOnly: boolean;
  onRoute: (route: Route, selectId: string | null) => void;
}

/** An empty route begins with the least that can be built. */
function Begin({ route, setup, readOnly, onRoute }: BeginProps) {
  const at = (stage: View<'StationView'>['stage']) =>
    setup.stations.find((s) => s.stage === stage && s.kind === 'work') ?? setup.stations[0];
  const seed = (name: string, kind: 'work' | 'fit' | 'dispatch', stage: View<'StationView'>['stage']) => ({
    name,
    kind,
    stage,
    stationCode: at(stage)?.code ?? '',
  });
  const begin = () => {
    const made = simplestRoute(route, {
      body: { ...seed('Cut bodies', 'work', 'roughMill'), setupMinutes: 10, minutesPerPiece: 10 },
      fit: seed('Give a serial', 'fit', 'fitting'),
      ship: seed('Dispatch', 'dispatch', 'dispatch'),
    });
    onRoute(made, made.operations[0]?.id ?? null);
  };
  if (readOnly) return <Typography color="text.secondary">A lead can describe it.</Typography>;
  if (setup.stations.length === 0) return <Typography>Set up a station first; a step is done somewhere.</Typography>;
  return (
    <Button variant="contained" onClick={begin}>
      Begin with a body, a serial and dispatch
    </Button>
  );
}

function worldOf(setup: View<'SetupView'>, carriers: DeskProps['carriers'], model: View<'ModelView'> | undefined): RouteWorld {
  return {
    stationCodes: new Set(setup.stations.map((s) => s.code)),
    skillLevels: new Map(setup.skills.filter((s) => s.level > 0).map((s) => [s.skill, s.level])),
    carriers: carriers.filter((c) => c.active),
    modelIds: new Set(setup.models.map((m) => m.id)),
    materialIds: new Set(setup.materials.map((m) => m.id)),
    adhesives: new Map(setup.adhesives.map((a) => [a.id, { kind: a.kind, materials: a.materials.map((m) => m.name) }])),
    cautionKeys: new Set(setup.cautions.map((c) => c.key)),
    speciesNames: new Set(setup.species.map((s) => s.name)),
    facts: {
      species: Object.fromEntries(model?.wood.map((w) => [w.component, w.species]) ?? []),
      construction: model?.construction ?? '',
    },
  };
}
