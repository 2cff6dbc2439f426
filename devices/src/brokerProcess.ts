import { openBroker } from './broker.ts';

// The broker in a process of its own: what devices send to it, and how much, is nothing that the server has to bear.
const { MQTT_PORT = '1883', MQTT_HOST = '127.0.0.1', MQTT_PASSWORD } = process.env;

try {
  if (MQTT_PASSWORD === undefined || MQTT_PASSWORD === '') throw new Error('MQTT_PASSWORD is not said: the server could not sign in');
  const broker = await openBroker({ port: Number(MQTT_PORT), host: MQTT_HOST, serverPassword: MQTT_PASSWORD });
  const stop = () => void broker.stop().finally(() => process.exit(0));
  process.once('SIGTERM', stop);
  process.once('disconnect', stop);
  process.send?.('ready');
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
