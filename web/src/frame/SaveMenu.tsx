import SaveAltIcon from '@mui/icons-material/SaveAlt';
import { api } from '../api/client';
import { PlainMenu } from '../controls/PlainMenu';
import { useLive } from '../live/store';
import { useDesk } from '../live/useShoot';

/** Saves the picture as it is seen; when it is shown denoised, what was traced can be had too. */
export function SaveMenu() {
  const { state } = useDesk();
  const denoised = useLive((s) => s.frame?.denoised ?? false);
  const url = (name: string) => api.pictureUrl(state.id, name);
  return (
    <PlainMenu
      label="Save the picture"
      text="Save"
      icon={<SaveAltIcon />}
      items={[
        { text: 'PNG, 8 bit', href: url('picture.png?asSeen=true') },
        { text: 'PNG, 16 bit', href: url('picture.png?bits=16&asSeen=true') },
        { text: 'OpenEXR with all layers', href: url('picture.exr?asSeen=true') },
        ...(denoised
          ? [{ text: 'OpenEXR with all layers, as traced', href: url('picture.exr') }]
          : []),
      ]}
    />
  );
}
