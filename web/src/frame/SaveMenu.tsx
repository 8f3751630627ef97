import SaveAltIcon from '@mui/icons-material/SaveAlt';
import { api } from '../api/client';
import { PlainMenu } from '../controls/PlainMenu';
import { useLive } from '../live/store';
import { useDownload } from '../live/useDownload';
import { useDesk } from '../live/useShoot';

/** Saves the picture as it is seen; when it is shown denoised, what was traced can be had too. */
export function SaveMenu() {
  const { state } = useDesk();
  const denoised = useLive((s) => s.frame?.denoised ?? false);
  const download = useDownload();
  const save = (name: string, query?: Record<string, string>) =>
    void download(api.pictureUrl(state.id, name, query));
  return (
    <PlainMenu
      label="Save the picture"
      text="Save"
      icon={<SaveAltIcon />}
      items={[
        { text: 'PNG, 8 bit', onClick: () => save('picture.png', { asSeen: 'true' }) },
        { text: 'PNG, 16 bit', onClick: () => save('picture.png', { bits: '16', asSeen: 'true' }) },
        { text: 'OpenEXR with all layers', onClick: () => save('picture.exr', { asSeen: 'true' }) },
        ...(denoised
          ? [{ text: 'OpenEXR with all layers, as traced', onClick: () => save('picture.exr') }]
          : []),
      ]}
    />
  );
}
