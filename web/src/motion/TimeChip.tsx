import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import { useChoice } from '../frame/choice';
import { useDesk } from '../live/useShoot';
import { colours, mono } from '../theme/theme';
import { timeText, useTime } from './time';

/** The time at which a shoot that moves is shown, and whether keys are recorded; leads to Motion. */
export function TimeChip() {
  const { motion } = useDesk().document;
  const { frame, record, inSeconds } = useTime();
  if (motion.tracks.length === 0 && !record) return null;
  const time = `${timeText(motion, frame, inSeconds)} of ${timeText(motion, motion.lastFrame, inSeconds)}`;
  return (
    <Tooltip title={record ? 'Keys of all that is changed are recorded' : 'The time that is shown'}>
      <Box
        component="button"
        type="button"
        aria-label={`${inSeconds ? 'Time' : 'Frame'} ${time}${record ? ', recording keys' : ''}`}
        onClick={() => useChoice.setState({ room: 'motion' })}
        sx={{
          all: 'unset',
          cursor: 'pointer',
          px: 1.5,
          height: 22,
          lineHeight: '22px',
          borderRadius: 1,
          whiteSpace: 'nowrap',
          fontFamily: mono,
          fontSize: 11,
          color: record ? colours.ember : colours.quiet,
          border: `1px solid ${record ? colours.ember : colours.line}`,
          '&:focus-visible': { outline: `2px solid ${colours.ember}` },
        }}
      >
        {record && '● '}
        {time}
      </Box>
    </Tooltip>
  );
}
