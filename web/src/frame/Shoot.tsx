import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { enqueueSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { ShootState } from '../api/document';
import { LiveChannel } from '../live/channel';
import { useLive } from '../live/store';
import { ChannelContext, ShootContext, shootKey, useShootDesk } from '../live/useShoot';
import { Middle } from './Middle';
import { useShownTime } from '../motion/useShownTime';
import { LookDetails } from '../rooms/look/LookRoom';
import { LookTray } from '../rooms/look/LookTray';
import { MotionDetails } from '../rooms/motion/MotionDetails';
import { MotionTray } from '../rooms/motion/MotionTray';
import { PrintDetails } from '../rooms/print/PrintDetails';
import { PrintTray } from '../rooms/print/PrintTray';
import { ProofRoomDetails } from '../rooms/proofs/ProofRoomDetails';
import { ProofTray } from '../rooms/proofs/ProofTray';
import { useProofKeys } from '../rooms/proofs/useProofKeys';
import { RigDetails } from '../rooms/rig/RigRoom';
import { RigTray } from '../rooms/rig/RigTray';
import { SetDetails, SetTray } from '../rooms/set/SetRoom';
import { colours, sizes } from '../theme/theme';
import { useChoice } from './choice';
import { Boundary } from './Boundary';
import { NoShoot } from './NoShoot';
import { Rooms } from './Rooms';
import { TrayEdge } from './TrayEdge';
import { TopBar } from './TopBar';
import { useKeys } from './useKeys';

const TRAYS = {
  set: SetTray,
  rig: RigTray,
  look: LookTray,
  proofs: ProofTray,
  motion: MotionTray,
  print: PrintTray,
};
const DETAILS = {
  set: SetDetails,
  rig: RigDetails,
  look: LookDetails,
  proofs: ProofRoomDetails,
  motion: MotionDetails,
  print: PrintDetails,
};

/** One shoot open in the page: the frame of every room. */
export function Shoot({ id }: { id: string }) {
  const client = useQueryClient();
  const [channel, setChannel] = useState<LiveChannel | null>(null);
  const room = useChoice((c) => c.room);
  const shot = useChoice((c) => c.shot);
  const trayHeight = useChoice((c) => c.trayHeight);

  useEffect(() => {
    const live = new LiveChannel(id, {
      onChanged: (revision) => {
        const known = client.getQueryData<ShootState>(shootKey(id))?.revision ?? 0;
        if (revision > known) void client.invalidateQueries({ queryKey: shootKey(id) });
      },
      onRefused: (detail) => enqueueSnackbar(detail, { variant: 'error' }),
      onDeleted: () => {
        location.hash = '';
        void client.invalidateQueries({ queryKey: ['shoots'] });
      },
      onBack: () => void client.invalidateQueries(),
    });
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the channel lives as long as the shoot is open
    setChannel(live);
    return () => {
      live.close();
      useLive.setState(useLive.getInitialState());
      useChoice.setState({ light: null, piece: null, shot: null, armed: null });
    };
  }, [id, client]);

  useEffect(() => {
    if (shot) channel?.shot(shot);
  }, [shot, channel]);

  const desk = useShootDesk(id, channel);
  useKeys(desk);
  useProofKeys(id);
  useShownTime(channel, desk);
  useEffect(() => {
    document.title = desk ? `${desk.document.name} · Level Ember` : 'Level Ember';
  }, [desk]);
  const { error, refetch } = useQuery({ queryKey: shootKey(id), queryFn: () => api.state(id) });
  if (!desk) {
    return error ? (
      <NoShoot error={error} onAgain={() => void refetch()} />
    ) : (
      <Box sx={{ height: '100%', display: 'grid', placeContent: 'center' }}>
        <Typography color="text.secondary">Opening the shoot …</Typography>
      </Box>
    );
  }

  const Tray = TRAYS[room];
  const Details = DETAILS[room];
  return (
    <ChannelContext.Provider value={channel}>
      <ShootContext.Provider value={desk}>
        <Box
          sx={{
            height: '100%',
            display: 'grid',
            gridTemplateColumns: `${sizes.rooms}px minmax(0, 1fr) ${sizes.details}px`,
            gridTemplateRows: `${sizes.top}px minmax(0, 1fr) ${trayHeight}px`,
            gridTemplateAreas: '"top top top" "rooms picture details" "rooms tray details"',
          }}
        >
          <TopBar />
          <Rooms />
          <Box component="main" sx={{ gridArea: 'picture', position: 'relative' }}>
            <Middle />
          </Box>
          <Box
            component="section"
            aria-label="Tray"
            sx={{ gridArea: 'tray', minHeight: 0, position: 'relative', bgcolor: colours.panel }}
          >
            <TrayEdge />
            <Boundary key={room} onAgain={() => undefined}>
              <Tray />
            </Boundary>
          </Box>
          <Box
            component="aside"
            aria-label="Details"
            sx={{
              gridArea: 'details',
              overflowY: 'auto',
              p: 3,
              borderLeft: `1px solid ${colours.line}`,
            }}
          >
            <Boundary key={room} onAgain={() => undefined}>
              <Details />
            </Boundary>
          </Box>
        </Box>
      </ShootContext.Provider>
    </ChannelContext.Provider>
  );
}
