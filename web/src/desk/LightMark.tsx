import type { Emitter } from '../api/document';

const DRAWINGS: Record<Emitter['kind'], string> = {
  rectangle: 'M3 4h10v5H3zM4.5 11.5l-1 2.5M8 11.5V14M11.5 11.5l1 2.5',
  sphere: 'M8 4.5a3.5 3.5 0 1 0 .01 0zM8 1v1.5M8 13.5V15M1 8h1.5M13.5 8H15',
  point:
    'M8 6.8a1.2 1.2 0 1 0 .01 0zM8 1.5v3M8 11.5v3M1.5 8h3M11.5 8h3M3.5 3.5l2 2M12.5 3.5l-2 2M3.5 12.5l2-2M12.5 12.5l-2-2',
  environment: 'M1.5 11.5a6.5 6.5 0 0 1 13 0M1.5 11.5h13M4.5 11.5c1-5 6-5 7 0M8 5v6.5',
  dome: 'M1.5 11.5a6.5 6.5 0 0 1 13 0zM8 1.5v2',
  emissive: 'M4 14V9.5L8 6l4 3.5V14zM8 1.5v2M3 3.5l1.2 1.4M13 3.5l-1.2 1.4',
};

export const kindNames: Record<Emitter['kind'], string> = {
  rectangle: 'Rectangle light',
  sphere: 'Sphere light',
  point: 'Point light',
  environment: 'Environment',
  dome: 'Even dome',
  emissive: 'Shining pieces',
};

/** A small line drawing of what kind a light is. */
export function LightMark({ kind, size = 14 }: { kind: Emitter['kind']; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" role="img" aria-label={kindNames[kind]}>
      <path
        d={DRAWINGS[kind]}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.2"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
