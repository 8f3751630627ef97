import { colours } from '../../../theme/theme';
import { useProofChoice } from '../useProofs';
import { useFindingChoice, useFindings } from './useFindings';

/** Where in the picture the open finding is seen. */
export function FindingMark({ scale }: { scale: number }) {
  const on = useProofChoice((c) => c.page === 'look');
  const key = useFindingChoice((c) => c.key);
  const { data } = useFindings(on && key !== null);
  const region = on ? data?.findings.find((f) => f.key === key)?.region : null;
  if (!region) return null;
  return (
    <div
      data-testid="finding-region"
      style={{
        position: 'absolute',
        left: `${100 * region.left}%`,
        top: `${100 * region.top}%`,
        width: `${100 * region.width}%`,
        height: `${100 * region.height}%`,
        boxSizing: 'border-box',
        border: `${1.5 / scale}px solid ${colours.ember}`,
        outline: `${1 / scale}px solid #000000a0`,
        borderRadius: 4 / scale,
      }}
    />
  );
}
