import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api } from '../api/client';
import type { ShootState } from '../api/document';
import { NameField } from '../controls/NameField';
import { PlainMenu } from '../controls/PlainMenu';
import { useDownload } from '../live/useDownload';
import { say, shootKey, useDesk } from '../live/useShoot';
import { colours } from '../theme/theme';
import { freeTitle } from './freeTitle';

/** Opens a shoot, makes, duplicates, renames or deletes one, imports one, exports this one. */
export function ShootMenu() {
  const desk = useDesk();
  const client = useQueryClient();
  const download = useDownload();
  const file = useRef<HTMLInputElement>(null);
  const [asking, setAsking] = useState(false);
  const { data: titles } = useQuery({ queryKey: ['shoots'], queryFn: api.titles });
  const { id } = desk.state;

  /** Opens what the server makes. */
  const open = async (made: Promise<ShootState>) => {
    try {
      const state = await made;
      client.setQueryData(shootKey(state.id), state);
      await client.invalidateQueries({ queryKey: ['shoots'] });
      location.hash = `#/${state.id}`;
    } catch (error) {
      say(error);
    }
  };
  const rename = async (name: string) => {
    await desk.keep(`Name the shoot ${name}`.slice(0, 200), [
      { op: 'replace', path: '/name', value: name },
    ]);
    await client.invalidateQueries({ queryKey: ['shoots'] });
  };
  const remove = async () => {
    setAsking(false);
    try {
      await api.deleteShoot(id);
    } catch (error) {
      say(error);
    }
  };

  return (
    <>
      <PlainMenu
        label="Shoot"
        text={desk.document.name}
        head={(close) => (
          <Box sx={{ px: 4, pb: 1.5, borderBottom: `1px solid ${colours.line}` }}>
            <NameField
              label="Name of the shoot"
              value={desk.document.name}
              onKeep={(name) => {
                close();
                void rename(name);
              }}
            />
          </Box>
        )}
        items={[
          ...(titles ?? []).map((t) => ({
            text:
              titles!.filter((other) => other.name === t.name).length === 1
                ? t.name
                : `${t.name} (${t.id})`,
            chosen: t.id === id,
            onClick: () => {
              location.hash = `#/${t.id}`;
            },
          })),
          {
            text: 'New shoot',
            apart: true,
            onClick: () => void open(api.newShoot(freeTitle(titles ?? []))),
          },
          { text: 'Duplicate this shoot', onClick: () => void open(api.copy(id)) },
          { text: 'Delete this shoot …', onClick: () => setAsking(true) },
          {
            text: 'Import a shoot (.ember, .json, our .glb) …',
            apart: true,
            onClick: () => file.current?.click(),
          },
          {
            text: 'Export this shoot (.ember)',
            onClick: () => void download(api.packageUrl(id)),
          },
          { text: 'Export as glTF (.glb)', onClick: () => void download(api.modelUrl(id)) },
        ]}
      />
      <input
        ref={file}
        type="file"
        hidden
        accept=".ember,.json,.glb"
        aria-label="Shoot to import"
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = '';
          if (chosen) void open(api.importShoot(chosen));
        }}
      />
      <Dialog open={asking} onClose={() => setAsking(false)} maxWidth="xs" fullWidth>
        <DialogTitle>Delete “{desk.document.name}”?</DialogTitle>
        <DialogContent>
          Its set, rig, shots and looks are lost, with all that undo could bring back. Export it
          first if it may be wanted again.
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={() => setAsking(false)}>
            Keep it
          </Button>
          <Button color="error" onClick={() => void remove()}>
            Delete the shoot
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
