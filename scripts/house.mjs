import { writeFileSync } from 'node:fs';
import { drawHouse } from './lib/house.mjs';

// Draws the floors that the layer rule enforces.
writeFileSync(new URL('../docs/house.svg', import.meta.url), drawHouse());
