/** What the angle of a neck follows from, in millimetres. */
export interface NeckGeometry {
  /** the saddle above the top */
  saddleMm: number;
  /** the string there above the fret plane, drawn out to the saddle: about twice the action at fret 12 */
  stringMm: number;
  /** the fret plane above the top where body and neck meet */
  planeMm: number;
  /** from there to the saddle */
  toSaddleMm: number;
}

/**
 * How far the fret plane leans back against the top: the saddle carries the string, so more action needs less angle.
 *
 * @param heelMm how long the heel is along the body
 * @returns degrees, and how much is to be taken off or shimmed over the heel for it; below zero the neck leans forward
 * @throws RangeError when the joint lies at the saddle or beyond, or the heel has no length
 */
export function neckAngle(
  { saddleMm, stringMm, planeMm, toSaddleMm }: NeckGeometry,
  heelMm: number,
): { degrees: number; heelOffMm: number } {
  if (!(toSaddleMm > 0)) throw new RangeError('The saddle must lie beyond the joint');
  if (!(heelMm > 0)) throw new RangeError('The heel must have a length');
  const tangent = (saddleMm - stringMm - planeMm) / toSaddleMm;
  return { degrees: (Math.atan(tangent) * 180) / Math.PI, heelOffMm: heelMm * tangent };
}
