import { serveStandIns } from './standIns/serve.ts';

// The stand-ins in a process of their own, as real devices would be.
const { MQTT_URL, STAND_INS_PORT = '0' } = process.env;

try {
  if (MQTT_URL === undefined) throw new Error('MQTT_URL is not said: there is nobody to speak to');
  const standIns = await serveStandIns({ url: MQTT_URL, port: Number(STAND_INS_PORT) });
  const stop = () => void standIns.stop().finally(() => process.exit(0));
  process.once('SIGTERM', stop);
  process.once('disconnect', stop);
  process.send?.({ ready: standIns.address });
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
