import SaveAltIcon from '@mui/icons-material/SaveAlt';
import { api } from '../api/client';
import { PlainMenu } from '../controls/PlainMenu';
import { useDesk } from '../live/useShoot';

/** Saves the picture as it stands. */
export function SaveMenu() {
  const { state } = useDesk();
  const url = (name: string) => api.pictureUrl(state.id, name);
  return (
    <PlainMenu
      label="Save the picture"
      text="Save"
      icon={<SaveAltIcon />}
      items={[
        { text: 'PNG, 8 bit', href: url('picture.png') },
        { text: 'PNG, 16 bit', href: url('picture.png?bits=16') },
        { text: 'OpenEXR with all layers', href: url('picture.exr') },
      ]}
    />
  );
}
