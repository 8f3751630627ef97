import FlareIcon from '@mui/icons-material/Flare';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api } from '../../api/client';
import { say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { stepText } from './causticReasons';

interface Props {
  name: string;
  of: { light: string } | { piece: string; shot: string };
}

/** Sets up what a light or a piece needs to throw caustics, and says what that was. */
export function MakeCaustics({ name, of }: Props) {
  const desk = useDesk();
  const [done, setDone] = useState<string[] | null>(null);
  const make = async () => {
    try {
      const { operations, steps } = await api.causticSetup(desk.state.id, of);
      if (operations.length > 0) await desk.keep(`Make caustics of ${name}`, operations);
      setDone(steps.length > 0 ? steps.map(stepText) : ['All is set up already.']);
    } catch (error) {
      say(error);
    }
  };
  return (
    <>
      <Button
        color="inherit"
        variant="outlined"
        startIcon={<FlareIcon />}
        onClick={() => void make()}
        sx={{ borderColor: colours.line, alignSelf: 'start' }}
      >
        Make caustics
      </Button>
      {done && (
        <Typography variant="caption" color="text.secondary" role="status" component="div">
          {done.map((line) => (
            <div key={line}>{line}</div>
          ))}
        </Typography>
      )}
    </>
  );
}
