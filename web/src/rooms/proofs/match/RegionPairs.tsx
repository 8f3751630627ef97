import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { NumberField } from '../../../controls/NumberField';
import type { Quantity } from '../../../controls/quantity';
import { mono } from '../../../theme/theme';
import { addPair, FIRST_SIZE, removePair, sizePairs, usePairs } from './usePairs';

const SIZE: Quantity = { unit: '%', least: 0.5, most: 50, step: 0.5, digits: 1 };

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/** Where the paired regions lie in both pictures, from the left and from the top. */
export function RegionPairs() {
  const { pairs } = usePairs();
  return (
    <Box component="section" aria-label="Paired regions" sx={{ my: 1 }}>
      {pairs.map((pair, i) => (
        <Box
          key={i}
          role="group"
          aria-label={`Pair ${i + 1}`}
          sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 11, fontFamily: mono }}
        >
          <Box sx={{ flex: 1 }}>
            {i + 1}: {percent(pair.x)}, {percent(pair.y)} ↔ {percent(pair.referenceX)},{' '}
            {percent(pair.referenceY)}
          </Box>
          <Button
            color="inherit"
            size="small"
            aria-label={`Remove pair ${i + 1}`}
            onClick={() => removePair(i)}
          >
            Remove
          </Button>
        </Box>
      ))}
      <Button color="inherit" onClick={addPair} sx={{ px: 1 }}>
        Add a pair
      </Button>
      {pairs.length > 0 && (
        <NumberField
          label="Size"
          name="Size of the regions"
          value={100 * (pairs[0]?.size ?? FIRST_SIZE)}
          start={100 * FIRST_SIZE}
          quantity={SIZE}
          onTry={(size) => sizePairs(size / 100)}
          onKeep={() => undefined}
          onLeave={() => undefined}
        />
      )}
    </Box>
  );
}
