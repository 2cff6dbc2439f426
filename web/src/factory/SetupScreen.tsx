import { STAGE_NAMES } from '@ample-crane/core';
import { Button, Tab, Tabs, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { Carriers, Prerequisites, ZoneDialog } from './Equipment.tsx';
import { NewStationDialog } from './EquipmentDialogs.tsx';
import { DefectRegister } from './DefectRegister.tsx';
import { GlueRegister } from './GlueRegister.tsx';
import { House } from './House.tsx';
import { Materials } from './Materials.tsx';
import { Models } from './Models.tsx';
import { PersonDialog } from './PersonDialog.tsx';
import { CautionsAndPauses, Consignees } from './Registers.tsx';
import { Rules } from './Rules.tsx';
import { SpeciesRegister } from './SpeciesRegister.tsx';
import { StationDialog } from './StationDialog.tsx';
import { WorkingTime } from './WorkingTime.tsx';

const TABS = [
  'People',
  'Skills',
  'Stations',
  'Carriers',
  'Fixtures and kits',
  'Models',
  'Bands and rules',
  'Species',
  'Defects',
  'Cautions and pauses',
  'Glues',
  'Materials',
  'Consignees',
  'Factory',
  'Working time',
  'Calendar',
] as const;
type TabName = (typeof TABS)[number];

/** What the factory has decided for itself. */
export default function SetupScreen() {
  const query = useSetup();
  const [search, setSearch] = useSearchParams();
  const tab = TABS.find((t) => t === search.get('tab')) ?? 'People';
  return (
    <Screen
      title="Setup"
      query={query}
      actions={
        <Button component={Link} to="/setup/devices">
          Devices
        </Button>
      }
    >
      {(setup) => {
        const alone = setup.skills.filter((s) => s.holders.length === 1);
        const nobody = setup.skills.filter((s) => s.holders.length === 0);
        return (
          <>
            <Answer>
              <Figure>{setup.people.filter((p) => p.active).length}</Figure> people, <Figure>{setup.stations.length}</Figure> stations,{' '}
              <Figure>{setup.models.length}</Figure> models.{' '}
              {alone.length === 0 && nobody.length === 0
                ? 'Every skill is held by two people or more.'
                : alone.length === 0
                  ? ''
                  : `${counted(alone.length, 'skill is', 'skills are')} held by one person alone: ${alone.map((s) => s.skill).join(', ')}.`}
              {nobody.length > 0 && ` Nobody holds ${nobody.map((s) => s.skill).join(', ')} today.`}
            </Answer>
            <Tabs
              value={tab}
              onChange={(_, value: TabName) => setSearch({ tab: value })}
              variant="scrollable"
              aria-label="Parts of the set-up"
              sx={{ mb: 2 }}
            >
              {TABS.map((name) => (
                <Tab key={name} label={name} value={name} />
              ))}
            </Tabs>
            {tab === 'People' && <People people={setup.people} />}
            {tab === 'Skills' && <Skills skills={setup.skills} />}
            {tab === 'Stations' && <Stations setup={setup} />}
            {tab === 'Carriers' && <Carriers setup={setup} />}
            {tab === 'Fixtures and kits' && <Prerequisites setup={setup} />}
            {tab === 'Models' && <Models models={setup.models} />}
            {tab === 'Bands and rules' && <Rules setup={setup} />}
            {tab === 'Species' && <SpeciesRegister setup={setup} />}
            {tab === 'Defects' && <DefectRegister setup={setup} />}
            {tab === 'Cautions and pauses' && <CautionsAndPauses setup={setup} />}
            {tab === 'Glues' && <GlueRegister setup={setup} />}
            {tab === 'Consignees' && <Consignees setup={setup} />}
            {tab === 'Materials' && <Materials materials={setup.materials} />}
            {tab === 'Factory' && <House setup={setup} />}
            {tab === 'Working time' && <WorkingTime setup={setup} />}
            {tab === 'Calendar' && <CalendarFeed />}
          </>
        );
      }}
    </Screen>
  );
}

/** Levels that are worth a word in a list. */
const LEVEL_WORDS: Readonly<Record<number, string>> = { 1: ' (learns)', 3: ' (teaches)' };
const TABLE_HEIGHT = 'calc(100vh - 290px)';

function People({ people }: { people: readonly View<'PersonView'>[] }) {
  const { may, date } = useSession();
  const [edited, setEdited] = useState<View<'PersonView'> | 'new' | null>(null);
  const [search] = useSearchParams();
  const found = people.find((p) => p.id === search.get('person'));
  const columns: GridColDef<View<'PersonView'>>[] = [
    { field: 'name', headerName: 'Name', width: 190 },
    { field: 'login', headerName: 'Sign-in', width: 110, valueFormatter: (value: string | null) => value ?? 'none' },
    { field: 'role', headerName: 'Role', width: 100, valueFormatter: (value: string | null) => value ?? '' },
    {
      field: 'skills',
      headerName: 'Skills',
      flex: 1,
      minWidth: 260,
      valueGetter: (skills: View<'PersonView'>['skills']) => skills.map((s) => s.skill + (LEVEL_WORDS[s.level] ?? '')).join(', '),
    },
    {
      field: 'awayUntilMs',
      headerName: 'Away until',
      width: 120,
      valueFormatter: (value: number | null) => (value === null ? '' : date(value)),
    },
    {
      field: 'active',
      headerName: 'State',
      width: 90,
      valueFormatter: (value: boolean) => (value ? 'active' : 'left'),
    },
  ];
  return (
    <>
      {may('manager') && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a person
        </Button>
      )}
      {found && (
        <Button component={Link} to="/setup?tab=People" sx={{ mb: 1 }}>
          Show everybody
        </Button>
      )}
      <DataTable
        label="People"
        rows={found ? [found] : people}
        columns={columns}
        getRowId={(p) => p.id}
        height={TABLE_HEIGHT}
        {...(may('manager') ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <PersonDialog person={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </>
  );
}

function Skills({ skills }: { skills: readonly View<'SkillView'>[] }) {
  const columns: GridColDef<View<'SkillView'>>[] = [
    { field: 'skill', headerName: 'Skill', width: 180 },
    {
      field: 'count',
      headerName: 'Held by',
      type: 'number',
      width: 90,
      valueGetter: (_, row) => row.holders.length,
    },
    {
      field: 'holders',
      headerName: 'Who',
      flex: 1,
      minWidth: 300,
      valueGetter: (holders: readonly string[]) => holders.join(', '),
    },
    {
      field: 'risk',
      headerName: 'Risk',
      width: 180,
      valueGetter: (_, row) => (row.holders.length === 1 ? 'one person alone' : ''),
    },
  ];
  return <DataTable label="Skills" rows={skills} columns={columns} getRowId={(s) => s.skill} height={TABLE_HEIGHT} />;
}

function Stations({ setup }: { setup: View<'SetupView'> }) {
  const { stations, zones } = setup;
  const { may } = useSession();
  const [adding, setAdding] = useState<'station' | 'zone' | null>(null);
  const [edited, setEdited] = useState<View<'StationView'> | null>(null);
  const columns: GridColDef<View<'StationView'>>[] = [
    { field: 'code', headerName: 'Code', width: 80 },
    { field: 'name', headerName: 'Station', flex: 1, minWidth: 200 },
    { field: 'stage', headerName: 'Stage', width: 120, valueFormatter: (value: View<'StationView'>['stage']) => STAGE_NAMES[value] },
    { field: 'kind', headerName: 'Kind', width: 90, valueFormatter: (value: string) => (value === 'work' ? 'benches' : 'places') },
    { field: 'places', headerName: 'Benches or places', type: 'number', width: 140 },
    {
      field: 'zoneId',
      headerName: 'Climate zone',
      width: 150,
      valueFormatter: (value: string) => zones.find((z) => z.id === value)?.name ?? value,
    },
  ];
  return (
    <>
      {may('manager') && (
        <>
          <Button variant="outlined" onClick={() => setAdding('station')} sx={{ mb: 1, mr: 1 }}>
            Add a station
          </Button>
          <Button onClick={() => setAdding('zone')} sx={{ mb: 1 }}>
            Add a climate zone
          </Button>
        </>
      )}
      {adding === 'station' && <NewStationDialog setup={setup} onClose={() => setAdding(null)} />}
      {adding === 'zone' && <ZoneDialog onClose={() => setAdding(null)} />}
      <DataTable
        label="Stations"
        rows={stations}
        columns={columns}
        getRowId={(s) => s.code}
        height={TABLE_HEIGHT}
        {...(may('manager') ? { onOpen: setEdited } : {})}
      />
      {edited && <StationDialog station={edited} onClose={() => setEdited(null)} />}
    </>
  );
}

function CalendarFeed() {
  const renew = useCommand(() => ask(client.POST('/api/calendar')));
  return (
    <>
      <Typography sx={{ mb: 1, maxWidth: '70ch' }}>
        Any calendar program can show when batches come free. The address is private to you: whoever has it can read the feed. A new one
        makes the one before useless.
      </Typography>
      <Button variant="outlined" onClick={() => renew.mutate(undefined)} loading={renew.isPending}>
        Make a new feed address
      </Button>
      {renew.data && (
        <Typography sx={{ mt: 1, overflowWrap: 'anywhere' }}>
          <a href={renew.data.url}>{renew.data.url}</a>
        </Typography>
      )}
      {renew.error && <ErrorNote error={renew.error} />}
    </>
  );
}
