import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import { colours } from '../theme/theme';
import { Turns } from './turns';

/** So many are asked for at a time: a browser keeps few ways to a server, and the hand needs some. */
const turns = new Turns(2);

interface Props {
  src: string;
  width: number;
  height: number;
}

/** A picture that the server may have to render first; asked for when it is seen, in its turn. */
export function LatePicture({ src, width, height }: Props) {
  const place = useRef<HTMLImageElement>(null);
  const end = useRef<() => void>(undefined);
  const [asked, setAsked] = useState<string>();
  useEffect(() => {
    const seen = new IntersectionObserver((entries) => {
      if (!entries.some((e) => e.isIntersecting)) return;
      seen.disconnect();
      end.current = turns.ask(() => setAsked(src));
    });
    seen.observe(place.current!);
    return () => {
      seen.disconnect();
      end.current?.();
    };
  }, [src]);
  return (
    <Box
      component="img"
      ref={place}
      alt=""
      draggable={false}
      src={asked}
      onLoad={() => end.current?.()}
      onError={() => end.current?.()}
      sx={{
        width,
        height,
        display: 'block',
        objectFit: 'cover',
        borderRadius: 1.5,
        bgcolor: colours.control,
      }}
    />
  );
}
