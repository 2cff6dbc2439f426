import { coatLitres, dewPointC, dryFilmUm, inUnits, METRIC, neckAngle, sprayObjections, stringTensionN } from '@ample-crane/core';
import type { SumDefinition } from './Sum.tsx';

/** Sums of the other rooms. */
export const SHOP_SUMS: readonly SumDefinition[] = [
  {
    id: 'dew-point',
    title: 'Dew point and spraying',
    fields: [
      { name: 'temp', label: 'Air, °C', value: '21' },
      { name: 'humidity', label: 'Humidity, %', value: '50' },
      { name: 'surface', label: 'Work, °C', value: '21' },
    ],
    formula: 'γ = ln(RH) + 17.625 T / (243.04 + T); Td = 243.04 γ / (17.625 − γ). Spraying asks for 3 °C between work and dew point.',
    source: 'Source: Alduchov & Eskridge, 1996. The coating’s data sheet decides.',
    work: (_, n) => {
      const [temp, humidity] = [n('temp'), n('humidity') / 100];
      const objections = sprayObjections(temp, humidity, undefined, n('surface'));
      return [
        { label: 'Dew point', value: `${dewPointC(temp, humidity).toFixed(1)} °C` },
        { label: 'Spraying', value: objections.length === 0 ? 'nothing against it' : inUnits(objections.join('. '), METRIC), remark: true },
      ];
    },
  },
  {
    id: 'film',
    title: 'Film build and litres',
    fields: [
      { name: 'wet', label: 'Wet film, µm', value: '110' },
      { name: 'solids', label: 'Volume solids, %', value: '28' },
      { name: 'coats', label: 'Coats', value: '5' },
      { name: 'sanded', label: 'Sanded off, µm', value: '30' },
      { name: 'area', label: 'Area, m²', value: '0.5' },
      { name: 'transfer', label: 'Lands on the work, %', value: '30' },
      { name: 'voc', label: 'Solvent, g/l', value: '680' },
    ],
    formula: 'Dry film = wet × volume solids; litres = area × wet film / transfer; solvent = litres × g/l.',
    source: 'Mass balance. Follow the product’s safety data sheet, your local code and the people licensed to judge it.',
    work: (_, n) => {
      const litres = coatLitres(n('area'), n('wet'), n('transfer') / 100) * n('coats');
      return [
        { label: 'Build', value: `${(dryFilmUm(n('wet'), n('solids') / 100) * n('coats') - n('sanded')).toFixed(0)} µm` },
        { label: 'Material', value: `${litres.toFixed(2)} l` },
        { label: 'Solvent', value: `${(litres * n('voc')).toFixed(0)} g` },
      ];
    },
  },
  {
    id: 'tension',
    title: 'String tension',
    fields: [
      { name: 'mass', label: 'String, g/m', value: '0.401' },
      { name: 'scale', label: 'Scale length, mm', value: '648' },
      { name: 'hertz', label: 'Tuned to, Hz', value: '329.63' },
    ],
    formula: 'T = μ (2 L f)²',
    source: 'The stretched string',
    work: (_, n) => [{ label: 'Tension', value: `${stringTensionN(n('mass') / 1000, n('scale') / 1000, n('hertz')).toFixed(1)} N` }],
  },
  {
    id: 'neck-angle',
    title: 'Neck angle',
    fields: [
      { name: 'saddle', label: 'Saddle above the top, mm', value: '14' },
      { name: 'string', label: 'String there above the fret plane, mm', value: '4' },
      { name: 'plane', label: 'Fret plane above the top at the joint, mm', value: '6' },
      { name: 'distance', label: 'Joint to saddle, mm', value: '230' },
      { name: 'heel', label: 'Heel, mm long', value: '60' },
    ],
    formula:
      'atan((saddle − string − fret plane) / distance). The string stands there about twice as high as at fret 12. Over the heel: its length × the tangent.',
    source: 'Geometry of the neck joint',
    work: (_, n) => {
      const geometry = { saddleMm: n('saddle'), stringMm: n('string'), planeMm: n('plane'), toSaddleMm: n('distance') };
      const { degrees, heelOffMm } = neckAngle(geometry, n('heel'));
      return [
        { label: 'Angle', value: `${degrees.toFixed(2)}°` },
        { label: 'Trim or shim over the heel', value: `${heelOffMm.toFixed(2)} mm` },
      ];
    },
  },
];
