import { Stack, Typography } from '@mui/material';
import { useParams, useSearchParams } from 'react-router';
import { useCutting, useLots, usePlan } from '../ground/queries.ts';
import { Screen } from '../parts/Screen.tsx';
import { NewPlan } from './NewPlan.tsx';
import { PlanDesk } from './PlanDesk.tsx';
import { WoodTabs } from './WoodTabs.tsx';

/** One cutting plan: a new one, or one that was kept. */
export default function PlanScreen() {
  const { id = 'new' } = useParams();
  return id === 'new' ? <NewPlanScreen /> : <KeptPlanScreen id={id} />;
}

function NewPlanScreen() {
  const [params] = useSearchParams();
  const cutting = useCutting();
  const lots = useLots(['released']);
  return (
    <Screen title="Plan a cut" query={cutting}>
      {(view) => (
        <>
          <WoodTabs />
          {lots.data && <NewPlan view={view} lots={lots.data} lotId={params.get('lot')} />}
        </>
      )}
    </Screen>
  );
}

function KeptPlanScreen({ id }: { id: string }) {
  const query = usePlan(id);
  return (
    <Screen title={`Cutting plan ${id}`} query={query}>
      {(plan) => (
        <Stack>
          <WoodTabs />
          <PlanDesk
            key={`${plan.id} ${plan.version}`}
            lotIds={plan.lotIds}
            boards={plan.whole}
            settings={plan.settings}
            wanted={plan.wanted}
            plans={plan.plans}
            kept={plan}
          />
          {plan.state === 'cut' && <Typography color="text.secondary">This plan has been cut; it stays as it was.</Typography>}
        </Stack>
      )}
    </Screen>
  );
}
