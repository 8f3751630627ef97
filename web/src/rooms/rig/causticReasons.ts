import type { CausticStep, LiveCaustics } from '../../api/client';

/** Stops by which other light may outshine caustics before they are lost in it. */
const DROWNED = 3;
/** Reflectance below which a surface shows little of them. */
const DARK = 0.1;
/** Share that glass may take before little is left to see. */
const TAKEN = 0.8;
/** How far off its focus light still draws lines, as a factor. */
const FOCUS = 2.5;

function metres(m: number) {
  if (m < 0.01) return `${(1000 * m).toFixed(1)} mm`;
  if (m < 1) return `${Math.round(100 * m)} cm`;
  return `${m.toFixed(2)} m`;
}

function percent(share: number) {
  return `${share < 0.1 ? (100 * share).toFixed(1) : Math.round(100 * share)} %`;
}

/**
 * Why a light's caustics are not seen, or not well, each with its numbers; none where nothing
 * stands against them.
 */
export function reasons(c: LiveCaustics, light: string, names: Record<string, string>): string[] {
  const { survey } = c;
  if (survey.casters === 0) {
    return ['No piece is glass, water or metal up to a roughness of 0.25.'];
  }
  if (!survey.lit) {
    return [
      'None of its light reaches glass, water or polished metal: aim it there, or look at its ' +
        'links and at what is in the way.',
    ];
  }
  if (survey.deposited === 0) {
    return [
      'Nothing lies where glass and mirrors throw it: put something matte there to catch it.',
    ];
  }
  const to: string[] = [];
  if (survey.escaped > 0.7) {
    to.push(
      `${percent(survey.escaped)} of what glass and mirrors throw meets nothing: put something ` +
        'matte where it goes.',
    );
  }
  if (survey.absorbed > TAKEN) {
    to.push(
      `Tinted glass takes ${percent(survey.absorbed)} of it on the way: a paler tint, or thinner ` +
        'glass.',
    );
  }
  if (survey.reflectance < DARK) {
    to.push(
      `It falls on what reflects ${percent(survey.reflectance)}: too dark or too glossy. From ` +
        '20 % on it shows.',
    );
  }
  if (c.penumbra > survey.pattern / 2) {
    to.push(
      `The light looks ${Math.round((survey.angularDiameter * 180) / Math.PI)}° wide from there, so ` +
        `its edges are ${metres(c.penumbra)} soft on a pattern ${metres(survey.pattern)} across: ` +
        'a smaller light, or one farther off, draws them.',
    );
  }
  if (survey.focus) to.push(...focus(survey.focus));
  if (c.share === 0) {
    to.push('It falls where the camera does not look.');
  } else if (c.drownedBy && c.drownedStops > DROWNED) {
    const by = c.drownedBy === light ? 'Its own direct light' : (names[c.drownedBy] ?? 'A light');
    to.push(`${by} is ${c.drownedStops.toFixed(1)} stops brighter where they fall.`);
  }
  return to;
}

function focus({ depth, focalLength }: { depth: number; focalLength: number }): string[] {
  if (focalLength === 0) return ['The water is still: waves draw lines of light.'];
  const far = focalLength / depth;
  if (far > FOCUS) {
    return [
      `Its waves bundle light ${metres(focalLength)} down, and it falls ${metres(depth)} down: ` +
        'higher or shorter waves, or deeper water, draw lines.',
    ];
  }
  if (far < 1 / FOCUS) {
    return [
      `Its waves bundle light ${metres(focalLength)} down, and it falls ${metres(depth)} down: ` +
        'lower or longer waves, or shallower water, draw lines.',
    ];
  }
  return [];
}

/** How much of the picture a light's caustics are. */
export function amount(c: LiveCaustics): string {
  if (c.share === 0) return 'None of them are in the picture.';
  const thrown = c.thrownBy ? `, most thrown by ${c.thrownBy}` : '';
  return `${percent(c.share)} of its light in the picture, ${percent(c.ofPicture)} of all light${thrown}.`;
}

/** What a step of setting caustics up did, or what stands in the way. */
export function stepText({ kind, name, value }: CausticStep): string {
  switch (kind) {
    case 'LIGHT_CASTS':
    case 'MATERIAL_CASTS':
      return `${name} casts caustics.`;
    case 'LIGHT_ON':
      return `${name} is no longer muted.`;
    case 'LEVEL_RAISED':
      return `${name} has its caustics at level 1; they were at 0.`;
    case 'LIGHT_ADDED':
      return `${name}: a small spot ${metres(value)} off, behind the piece.`;
    case 'MATERIAL_SMOOTHED':
      return `${name} has a roughness of 0.1; it was ${value.toFixed(2)}.`;
    case 'PIECE_SHOWN':
      return `${name} shows to all light.`;
    case 'BOUNCES_RAISED':
      return `Light meets up to 8 surfaces; it was ${value}.`;
    case 'NOT_SMOOTH':
      return `${name} is neither glass nor metal: dress it in glass, water or polished metal.`;
    case 'NO_SMOOTH_PIECE':
      return 'No piece that it lights is glass, water or polished metal.';
  }
}
