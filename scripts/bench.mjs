import { benchApi } from './bench/api.mjs';
import { benchCore } from './bench/core.mjs';
import { benchDevices } from './bench/devices.mjs';
import { benchDecide, benchRebuild, benchReplay } from './bench/history.mjs';
import { baseline, line } from './bench/report.mjs';
import { benchLong } from './bench/long.mjs';
import { benchSimulation } from './bench/simulation.mjs';
import { benchSizes } from './bench/sizes.mjs';
import { benchWood } from './bench/wood.mjs';
import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main } from './lib/run.mjs';

// Costs of one run on this machine, beside its own baseline, so that runs elsewhere can be compared by ratio.
// Names after -- take only those parts: core, decide, replay, rebuild, api, wood, long, devices, simulation, sizes.
await main(async () => {
  await ensurePackages();
  await build();
  baseline();
  const unit = baseline();
  line('Baseline: 30 million multiplications', `${unit.toFixed(3)} s`);
  const core = await import('@ample-crane/core');
  const parts = {
    core: () => benchCore(core, unit),
    decide: () => benchDecide(core),
    replay: () => benchReplay(core, unit),
    rebuild: () => benchRebuild(),
    api: () => benchApi(unit),
    wood: () => benchWood(core, unit),
    long: () => benchLong(),
    devices: () => benchDevices(),
    simulation: () => benchSimulation(core, unit),
    sizes: () => benchSizes(),
  };
  const wanted = process.argv.slice(2);
  for (const [name, run] of Object.entries(parts)) if (wanted.length === 0 || wanted.includes(name)) await run();
});
