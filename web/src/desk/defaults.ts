import { fields } from '../api/generated/fields';

/**
 * The fields of a record that a document may leave out, as it then has them. Each call makes new
 * ones, as they are put into documents.
 *
 * @param record as the generated table names it: light, emitter.spot …
 */
export function defaultsOf<T extends object>(record: keyof typeof fields): T {
  const said = Object.entries(fields[record]).filter(([, field]) => 'default' in field);
  return structuredClone(
    Object.fromEntries(
      said.map(([name, field]) => [name, (field as { default: unknown }).default]),
    ),
  ) as T;
}
