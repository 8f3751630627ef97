import type { Material, Operation, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { freeId } from '../../desk/newLight';
import { sameSurface } from './sameSurface';

/** Dresses a piece in a preset; the shoot's own material of the same surface is used again. */
export function dressed(piece: string, preset: Material, document: ShootDocument): Operation[] {
  const { materials } = document;
  const there = materials.find((m) => sameSurface(m, preset));
  const id = there?.id ?? freeId(preset.id, materials);
  return [
    ...(there ? [] : [{ op: 'add' as const, path: '/materials/-', value: { ...preset, id } }]),
    setField(document, 'pieces', piece, 'material', id),
  ];
}

/** What a material card carries when it is dragged: its surface as JSON. */
export const MATERIAL_TYPE = 'application/x-ember-material';
