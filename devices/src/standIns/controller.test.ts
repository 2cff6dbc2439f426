import { describe, expect, test } from '@jest/globals';
import { readMessage } from '@ample-crane/core';
import fc from 'fast-check';
import { MachineStandIn } from './controller.ts';

const CYCLE = { parts: 2, seconds: 10, cutters: [{ cutter: 'rougher', minutes: 6 }] };
const S = 1000;

describe('a machine that stands in for one', () => {
  test('counts parts and cutter minutes as its cycles end; a program loaded anew counts anew, cutters go on', () => {
    const machine = new MachineStandIn();
    expect([machine.run(0), machine.load(' A.nc ', CYCLE), machine.run(0)]).toEqual([false, true, true]);
    expect(machine.tells()).toMatchObject({ state: 'running', program: 'A.nc', parts: 0 });
    expect([machine.tick(9 * S), machine.tick(10 * S), machine.tick(11 * S)]).toEqual([false, true, false]);
    expect(machine.tells()).toEqual({ state: 'idle', program: 'A.nc', parts: 2, cutters: [{ cutter: 'rougher', minutes: 6 }] });
    machine.load('B.nc', CYCLE);
    machine.run(20 * S);
    machine.tick(30 * S);
    expect(machine.tells()).toEqual({ state: 'idle', program: 'B.nc', parts: 2, cutters: [{ cutter: 'rougher', minutes: 12 }] });
  });

  test('held, its time stands; nothing else is loaded on it meanwhile', () => {
    const machine = new MachineStandIn();
    machine.load('A.nc', CYCLE);
    machine.run(0);
    expect([machine.hold(4 * S), machine.load('B.nc', CYCLE), machine.tick(60 * S)]).toEqual([true, false, false]);
    expect(machine.tells()).toMatchObject({ state: 'held', program: 'A.nc' });
    expect([machine.goOn(60 * S), machine.tick(65 * S), machine.tick(66 * S)]).toEqual([true, false, true]);
    expect(machine.tells().parts).toBe(2);
  });

  test('what was on it when it faulted is no part, and it stands until that is cleared', () => {
    const machine = new MachineStandIn();
    machine.load('A.nc', CYCLE);
    machine.run(0);
    machine.fault();
    expect([machine.tick(60 * S), machine.run(60 * S), machine.clear(), machine.clear()]).toEqual([false, false, true, false]);
    expect(machine.tells()).toMatchObject({ state: 'idle', parts: 0, cutters: [] });
  });

  test('whatever is pressed, it tells what the factory can read', () => {
    const acts = fc.constantFrom('load', 'unload', 'run', 'hold', 'goOn', 'fault', 'clear', 'tick');
    fc.assert(
      fc.property(fc.array(acts, { maxLength: 40 }), (pressed) => {
        const machine = new MachineStandIn();
        let nowMs = 0;
        for (const act of pressed) {
          nowMs += 4 * S;
          if (act === 'load' || act === 'unload') machine.load(act === 'load' ? 'A.nc' : '', CYCLE);
          else machine[act](nowMs);
        }
        const heard = readMessage('machine controller', JSON.stringify({ id: 'x', machine: machine.tells() }), 0);
        expect(heard).toMatchObject({ kind: 'message', message: { told: { kind: 'machine', ...machine.tells() } } });
      }),
    );
  });
});
