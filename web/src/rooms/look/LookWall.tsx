import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { useEffect, useState, type ReactNode } from 'react';
import { api, type KeptLook } from '../../api/client';
import { LatePicture } from '../../controls/LatePicture';
import { setField } from '../../api/patch';
import { useChosenShot } from '../../frame/useChosenShot';
import { useLive } from '../../live/store';
import { say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { freeId } from './plain';
import { useLook } from './useLook';

/** How long the picture must rest before the small ones are asked for anew. */
const REST_MILLIS = 900;

/** Changes when the small pictures are worth asking for again. */
function useVersion(): string {
  const desk = useDesk();
  const shot = useChosenShot();
  const ready = useLive((s) => s.frame?.step === 1);
  const wanted = `${desk.state.revision}-${shot.id}-${ready}`;
  const [version, setVersion] = useState(wanted);
  useEffect(() => {
    const timer = setTimeout(() => setVersion(wanted), REST_MILLIS);
    return () => clearTimeout(timer);
  }, [wanted]);
  return version;
}

/** The picture of the shown shot through every look; a click wears it. */
export function LookWall() {
  const desk = useDesk();
  const shot = useChosenShot();
  const client = useQueryClient();
  const version = useVersion();
  const keptQuery = useQuery({ queryKey: ['kept-looks'], queryFn: api.keptLooks });
  const kept = keptQuery.data;
  const { looks } = desk.document;
  const wear = (id: string, name: string) =>
    void desk.keep(`Wear ${name}`, [setField(desk.state.document, 'shots', shot.id, 'look', id)]);
  const take = async (from: KeptLook) => {
    try {
      const look = await api.takeLook(desk.state.id, from.id);
      const own = looks.some((l) => l.id === look.id) ? freeId(looks, look.id) : look.id;
      await desk.keep(`Wear ${look.name}`, [
        { op: 'add', path: '/looks/-', value: { ...look, id: own } },
        setField(desk.state.document, 'shots', shot.id, 'look', own),
      ]);
    } catch (error) {
      say(error);
    }
  };
  const forget = async (from: KeptLook) => {
    try {
      await api.forgetLook(from.id);
      await client.invalidateQueries({ queryKey: ['kept-looks'] });
    } catch (error) {
      say(error);
    }
  };
  return (
    <Wall>
      <Group name="Looks of this shoot">
        {looks.map((l) => (
          <Card
            key={l.id}
            name={l.name}
            chosen={l.id === shot.look}
            src={api.throughUrl(desk.state.id, l.id, version)}
            onClick={() => wear(l.id, l.name)}
          />
        ))}
      </Group>
      <Fetched
        of={keptQuery}
        what="The kept looks"
        empty="A look kept for all shoots shows up here."
      />
      {kept && kept.length > 0 && (
        <Group name="Kept for all shoots">
          {kept.map((k) => (
            <Card
              key={k.id}
              name={k.name}
              src={api.throughUrl(desk.state.id, shot.look, version, { kept: k.id })}
              onClick={() => void take(k)}
              onRemove={() => void forget(k)}
            />
          ))}
        </Group>
      )}
    </Wall>
  );
}

/** The picture through every grade of the shelf; a click takes it. */
export function GradeWall() {
  const desk = useDesk();
  const version = useVersion();
  const { look, set } = useLook();
  const gradesQuery = useQuery({
    queryKey: ['grades'],
    queryFn: api.grades,
    staleTime: Infinity,
  });
  const grades = gradesQuery.data;
  const worn = JSON.stringify(look.grade);
  return (
    <Wall>
      <Group name="Grades of the shelf">
        <Fetched of={gradesQuery} what="The grades" />
        {(grades ?? []).map((g) => (
          <Card
            key={g.id}
            name={g.name}
            what={g.what}
            chosen={JSON.stringify(g.grade) === worn}
            src={api.throughUrl(desk.state.id, look.id, version, { grade: g.id })}
            onClick={() =>
              void desk.keep(`Grade ${g.name}`, set(desk.state.document, 'grade', g.grade))
            }
          />
        ))}
      </Group>
    </Wall>
  );
}

function Wall({ children }: { children: ReactNode }) {
  return (
    <Box sx={{ display: 'flex', gap: 4, p: 2, height: '100%', overflowX: 'auto' }}>{children}</Box>
  );
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={name} sx={{ flex: 'none' }}>
      <Typography variant="caption" component="h3" sx={{ fontWeight: 600, m: 0, mb: 1 }}>
        {name}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5 }}>{children}</Box>
    </Box>
  );
}

interface CardProps {
  name: string;
  what?: string;
  chosen?: boolean;
  src: string;
  onClick: () => void;
  onRemove?: () => void;
}

function Card({ name, what, chosen = false, src, onClick, onRemove }: CardProps) {
  return (
    <Box sx={{ position: 'relative', width: 192 }}>
      <Box
        component="button"
        type="button"
        title={what}
        aria-pressed={chosen}
        onClick={onClick}
        sx={{
          p: 0,
          width: '100%',
          border: 'none',
          bgcolor: 'transparent',
          color: chosen ? colours.ember : 'inherit',
          font: 'inherit',
          fontSize: 12,
          textAlign: 'left',
          cursor: 'pointer',
        }}
      >
        <Box
          sx={{
            mb: 1,
            borderRadius: 1.5,
            outline: chosen ? `2px solid ${colours.ember}` : 'none',
          }}
        >
          <LatePicture src={src} width={192} height={108} />
        </Box>
        {name}
      </Box>
      {onRemove && (
        <Box
          component="button"
          type="button"
          aria-label={`Forget ${name}`}
          title={`Forget ${name}`}
          onClick={onRemove}
          sx={{
            position: 'absolute',
            right: 4,
            top: 4,
            width: 20,
            height: 20,
            p: 0,
            border: 'none',
            borderRadius: 1,
            bgcolor: '#000000a0',
            color: '#fff',
            cursor: 'pointer',
          }}
        >
          <CloseIcon sx={{ fontSize: 14 }} />
        </Box>
      )}
    </Box>
  );
}
