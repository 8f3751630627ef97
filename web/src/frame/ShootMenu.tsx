import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { api } from '../api/client';
import { PlainMenu } from '../controls/PlainMenu';
import { say, shootKey, useDesk } from '../live/useShoot';

/** Opens a shoot, brings one in, takes this one out. */
export function ShootMenu() {
  const desk = useDesk();
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const { data: titles } = useQuery({ queryKey: ['shoots'], queryFn: api.titles });

  const bringIn = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      const state = await api.bringIn(chosen);
      client.setQueryData(shootKey(state.id), state);
      await client.invalidateQueries({ queryKey: ['shoots'] });
      location.hash = `#/${state.id}`;
    } catch (error) {
      say(error);
    }
  };

  return (
    <>
      <PlainMenu
        label="Shoot"
        text={desk.document.name}
        items={[
          ...(titles ?? []).map((t) => ({
            text: t.id === t.name.toLowerCase() ? t.name : `${t.name} (${t.id})`,
            chosen: t.id === desk.state.id,
            onClick: () => {
              location.hash = `#/${t.id}`;
            },
          })),
          {
            text: 'Bring in a shoot (.ember, .json, our .glb) …',
            onClick: () => file.current?.click(),
          },
          { text: 'Take this shoot out (.ember)', href: api.packageUrl(desk.state.id) },
          { text: 'Take it out as glTF (.glb)', href: api.modelUrl(desk.state.id) },
        ]}
      />
      <input
        ref={file}
        type="file"
        hidden
        accept=".ember,.json,.glb"
        aria-label="Shoot to bring in"
        onChange={(e) => {
          void bringIn(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
    </>
  );
}
