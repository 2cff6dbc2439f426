import { clearanceMm, fitScale, formatFit } from '@ample-crane/core';
import { Box, Button, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { Link as RouterLink, useNavigate } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useFitting } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, FlagIn, idChoices, useTyped } from '../parts/fields.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { StageWork } from '../parts/StageScreen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { carriersOf, counted, pieces } from '../parts/words.ts';

type FitSet = View<'FittingSetView'>;

/** Bodies and necks facing each other, with the pairs that fit best. */
export default function FittingScreen() {
  const query = useFitting();
  return (
    <Screen title="Fitting" query={query}>
      {({ sets, waiting }) => {
        const pairs = sets.reduce((sum, s) => sum + s.proposed.length, 0);
        return (
          <>
            <Answer>
              <Figure>{pairs}</Figure> {pairs === 1 ? 'instrument' : 'instruments'} can be fitted now from{' '}
              {counted(sets.length, 'set', 'sets')};{' '}
              {counted(
                waiting.reduce((sum, b) => sum + b.quantity, 0),
                'piece waits',
                'pieces wait',
              )}{' '}
              unpaired for a counterpart.
            </Answer>
            {sets.map((set) => (
              <PairingSet key={`${set.body.id}/${set.neck?.id ?? ''}/${set.body.version}/${set.neck?.version ?? 0}`} set={set} />
            ))}
            <Section title="Unpaired stock">
              {waiting.length === 0 ? (
                <Empty>Nothing waits for a counterpart.</Empty>
              ) : (
                waiting.map((b) => (
                  <Finding
                    key={b.id}
                    severity="waiting"
                    sentence={
                      <Box component="span" sx={{ display: 'inline-flex', alignItems: 'center', gap: 1 }}>
                        <StreamGlyph of={b.component} />
                        <Link component={RouterLink} to={`/batches/${b.id}`}>
                          <Id>{b.id}</Id>
                        </Link>
                        {pieces(b.quantity, b.component)} of {b.modelName}
                        {b.placements.length > 0 && `, ${carriersOf(b)}`}
                      </Box>
                    }
                  />
                ))
              )}
            </Section>
            <StageWork stage="fitting" />
          </>
        );
      }}
    </Screen>
  );
}

function PairingSet({ set }: { set: FitSet }) {
  const { may, units } = useSession();
  const scale = fitScale(units);
  const told = (mm: number | null) => (mm === null ? '–' : scale.of(mm).toFixed(scale.digits));
  const navigate = useNavigate();
  const proposedFor = new Map(set.proposed.map((p) => [p.bodyId, p.neckId]));
  const { control, handleSubmit } = useForm({
    defaultValues: { bodies: set.bodies.map(({ pieceId }) => ({ neckId: proposedFor.get(pieceId) ?? '', fit: proposedFor.has(pieceId) })) },
  });
  const typed = useTyped(control);
  const said = typed.bodies;
  const fit = useCommand(
    (body: View<'FitDto'>, headers) => ask(client.POST('/api/fitting', { body, headers })),
    ({ id }) => void navigate(`/batches/${id}`),
  );
  const width = (list: readonly View<'FitPieceView'>[], id: string | null | undefined) =>
    list.find((p) => p.pieceId === id)?.widthMm ?? null;
  const rows = set.bodies.map((body, i) => {
    const neckId = said[i]?.neckId || null;
    const tenon = width(set.necks, neckId);
    const gap = body.widthMm === null || tenon === null ? null : clearanceMm(body.widthMm, tenon);
    return {
      body,
      neckId,
      gap,
      chosen: said[i]?.fit === true && (neckId !== null || !set.separateNecks),
    };
  });
  const chosen = rows.filter((r) => r.chosen);
  const usedNecks = chosen.flatMap((r) => r.neckId ?? []);
  const twice = usedNecks.length !== new Set(usedNecks).size;
  const leftNecks = set.necks.filter((n) => !usedNecks.includes(n.pieceId));
  const submit = () =>
    fit.mutate({
      bodyBatchId: set.body.id,
      bodyVersion: set.body.version,
      neckBatchId: set.neck?.id ?? null,
      neckVersion: set.neck?.version ?? null,
      pairs: chosen.map((r) => ({ bodyId: r.body.pieceId, neckId: r.neckId })),
    });
  return (
    <Section
      title={`${set.modelName}: ${set.body.id}${set.neck ? ` with ${set.neck.id}` : ''}`}
      aside={
        set.separateNecks && (
          <Typography variant="body2" color="text.secondary">
            {set.proposed.length} in band by choosing; {set.inBandAsTheyCome} if taken as they come
          </Typography>
        )
      }
    >
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label={`Pairs of ${set.body.id}`}>
          <TableHead>
            <TableRow>
              <TableCell padding="checkbox">Fit</TableCell>
              <TableCell>Body</TableCell>
              <TableCell align="right">Pocket, {scale.unit}</TableCell>
              {set.separateNecks && (
                <>
                  <TableCell>Neck</TableCell>
                  <TableCell align="right">Tenon, {scale.unit}</TableCell>
                  <TableCell>
                    Clearance against {scale.of(set.lowMm).toFixed(scale.digits)}–{formatFit(set.highMm, units)}
                  </TableCell>
                </>
              )}
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map(({ body, neckId, gap }, i) => (
              <TableRow key={body.pieceId}>
                <TableCell padding="checkbox">
                  <FlagIn control={control} name={`bodies.${i}.fit`} label={`Fit ${body.pieceId}`} bare />
                </TableCell>
                <TableCell>
                  <Id>{body.pieceId}</Id>
                </TableCell>
                <TableCell align="right">{told(body.widthMm)}</TableCell>
                {set.separateNecks && (
                  <>
                    <TableCell>
                      <ChoiceIn
                        control={control}
                        name={`bodies.${i}.neckId`}
                        label={`Neck for ${body.pieceId}`}
                        choices={[['', 'none'], ...idChoices(set.necks.map((n) => n.pieceId))]}
                        bare
                        sx={{ minWidth: 110 }}
                      />
                    </TableCell>
                    <TableCell align="right">{told(width(set.necks, neckId))}</TableCell>
                    <TableCell>
                      {gap === null ? (
                        'not measured'
                      ) : (
                        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
                          <BandStrip
                            label={`Clearance of ${body.pieceId}`}
                            unit={scale.unit}
                            low={scale.of(set.lowMm)}
                            target={scale.of(set.targetMm)}
                            high={scale.of(set.highMm)}
                            values={[scale.of(gap)]}
                            width={180}
                          />
                          <Figure>{told(gap)}</Figure>
                        </Box>
                      )}
                    </TableCell>
                  </>
                )}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1.5, flexWrap: 'wrap' }}>
        {may('operator') && (
          <Button
            variant="contained"
            disabled={chosen.length === 0 || twice}
            loading={fit.isPending}
            onClick={() => void handleSubmit(submit)()}
          >
            Fit {counted(chosen.length, 'instrument', 'instruments')} and give serials
          </Button>
        )}
        <Typography variant="body2" color="text.secondary">
          {twice
            ? 'A neck is chosen twice.'
            : leftovers(
                rows.length - chosen.length,
                leftNecks.map((n) => n.pieceId),
              )}
        </Typography>
      </Box>
      {fit.error && <ErrorNote error={fit.error} />}
    </Section>
  );
}

function leftovers(bodies: number, necks: readonly string[]): string {
  if (bodies === 0 && necks.length === 0) return 'Nothing is left over.';
  return `Left over: ${counted(bodies, 'body', 'bodies')}${necks.length > 0 ? `, ${counted(necks.length, 'neck', 'necks')} (${necks.join(', ')})` : ''}. They stay at the bench as unpaired stock.`;
}
