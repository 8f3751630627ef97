import Typography from '@mui/material/Typography';
import type { Material } from '../../api/document';
import { SwitchOf } from '../../controls/SwitchOf';

/** Roughness up to which glass and metal throw caustics. */
const SMOOTH = 0.25;

interface Props {
  material: Material;
  onChange: (edit: string, on: boolean) => void;
}

/** Whether a material casts caustics; nothing for what is neither glass nor metal. */
export function MaterialCaustics({ material, onChange }: Props) {
  if (material.transmission === 0 && material.metalness === 0) return null;
  return (
    <>
      <SwitchOf
        label="Casts caustics"
        on={material.castsCaustics}
        onChange={(on) =>
          onChange(on ? `Caustics of ${material.name}` : `${material.name} without caustics`, on)
        }
      />
      {material.castsCaustics && material.roughness > SMOOTH && (
        <Typography variant="caption" color="text.secondary">
          Only up to a roughness of {SMOOTH}; rougher, paths find its light.
        </Typography>
      )}
    </>
  );
}
