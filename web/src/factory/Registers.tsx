import { Typography } from '@mui/material';
import { ask, client, type View } from '../ground/api.ts';
import { NotedRegister, type Line } from './NotedRegister.tsx';

type Setup = View<'SetupView'>;
type Noted = View<'NotedDto'>;

const toLine = ({ key, text }: Noted): Line => ({ called: key, said: text });
const toNoted = ({ called, said }: Line): Noted => ({ key: called, text: said });

/** What can hurt at work and what is said about it, and what work waits for that is paused. */
export function CautionsAndPauses({ setup }: { setup: Setup }) {
  return (
    <>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Cautions
      </Typography>
      <NotedRegister
        title="Cautions"
        one="caution"
        about="Shown where the work is logged, at every step that names it on the route desk. Below each stands that data sheets, local codes and licensed people come first; nobody can take that away."
        lines={setup.cautions.map(toLine)}
        calledLabel="Caution"
        saidLabel="What is said"
        isKey
        role="manager"
        height="320px"
        tag={setup.tags.cautions}
        save={(lines, seen, headers) =>
          ask(client.PUT('/api/settings/cautions', { body: { cautions: lines.map(toNoted), seen }, headers }))
        }
      />
      <Typography variant="h2" sx={{ mt: 3, mb: 1 }}>
        Causes of a pause
      </Typography>
      <NotedRegister
        title="Causes of a pause"
        one="cause"
        about="Whoever pauses work says which of these it waits for. What was recorded stays recorded."
        lines={setup.pauseCauses.map(toLine)}
        calledLabel="Cause"
        saidLabel="As one says it"
        isKey
        role="manager"
        height="320px"
        tag={setup.tags.pauseCauses}
        save={(lines, seen, headers) =>
          ask(client.PUT('/api/settings/pause-causes', { body: { pauseCauses: lines.map(toNoted), seen }, headers }))
        }
      />
      <Typography variant="h2" sx={{ mt: 3, mb: 1 }}>
        Start checklist of machines
      </Typography>
      <NotedRegister
        title="Start checklist of machines"
        one="check"
        about="Ticked by whoever starts a load, at every step whose route asks for it. The maker’s manual and the people licensed to judge a machine come first."
        lines={setup.startChecks.map(toLine)}
        calledLabel="Check"
        saidLabel="What is looked at"
        isKey
        role="manager"
        height="320px"
        tag={setup.tags.startChecks}
        save={(lines, seen, headers) =>
          ask(client.PUT('/api/settings/start-checks', { body: { startChecks: lines.map(toNoted), seen }, headers }))
        }
      />
    </>
  );
}

/** Whom instruments are usually sent to. */
export const Consignees = ({ setup }: { setup: Setup }) => (
  <NotedRegister
    title="Consignees"
    one="consignee"
    about="Offered where instruments are shipped, beside whom the order is for. The ledger keeps the name as it was written."
    lines={setup.consignees.map(({ name, note }) => ({ called: name, said: note }))}
    calledLabel="Consignee"
    saidLabel="Address, what the shipper must know"
    saidOptional
    isKey={false}
    role="lead"
    height="calc(100vh - 350px)"
    tag={setup.tags.consignees}
    save={(lines, seen, headers) => {
      const consignees = lines.map(({ called, said }) => ({ name: called, note: said }));
      return ask(client.PUT('/api/settings/consignees', { body: { consignees, seen }, headers }));
    }}
  />
);
