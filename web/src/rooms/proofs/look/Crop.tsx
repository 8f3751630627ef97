import Box from '@mui/material/Box';
import { useRef } from 'react';
import type { Finding } from '../../../api/document';
import { useLivePicture } from '../../../picture/useLivePicture';
import { colours } from '../../../theme/theme';

const WIDTH = 264;
const HIGHEST = 150;
const ASPECT = 16 / 9;

/** A part of the live picture. */
export function Crop({ region }: { region: NonNullable<Finding['region']> }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLivePicture(canvas);
  const scale = Math.min(WIDTH / region.width, (HIGHEST * ASPECT) / region.height);
  const width = scale * region.width;
  const height = (scale * region.height) / ASPECT;
  return (
    <Box
      sx={{
        position: 'relative',
        overflow: 'hidden',
        width,
        height,
        borderRadius: 1,
        bgcolor: colours.surround,
      }}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-label="Where it is seen"
        style={{
          position: 'absolute',
          width: scale,
          height: scale / ASPECT,
          left: -scale * region.left,
          top: (-scale * region.top) / ASPECT,
        }}
      />
    </Box>
  );
}
