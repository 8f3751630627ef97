import type { Emitter } from '../api/document';
import { lightKinds } from './lightKinds';

/** A small line drawing of what kind a light is. */
export function LightMark({ kind, size = 14 }: { kind: Emitter['kind']; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      role="img"
      aria-label={lightKinds[kind].name}
    >
      <path
        d={lightKinds[kind].drawing}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.2"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
