// Makes the page's types from what the application says of itself: the shoot document from its JSON Schema, answers
// of the interface from its OpenAPI description. Run before every build and check; nothing of it is kept.
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { compile } from 'json-schema-to-typescript';
import openapiTS, { astToString } from 'openapi-typescript';

const SCHEMA = new URL(
  '../../formats/src/main/resources/levelember/formats/document/shoot.schema.json',
  import.meta.url,
);
const OPENAPI = new URL('../src/api/openapi.json', import.meta.url);
const TO = new URL('../src/api/generated/', import.meta.url);

/** The application answers with every field said, so that none is missing. */
function whole(node) {
  if (Array.isArray(node)) return node.map(whole);
  if (node === null || typeof node !== 'object') return node;
  if (node.$ref) return { $ref: node.$ref };
  const tuple = node.minItems !== undefined && node.minItems === node.maxItems;
  const to = Object.fromEntries(
    Object.entries(node)
      .filter(([key]) => key !== 'default' && (tuple || !key.endsWith('Items')))
      .map(([key, value]) => [key, whole(value)]),
  );
  if (to.properties) to.required = Object.keys(to.properties);
  return to;
}

/** The schema of a field's own type, past null and 0 as other possibilities. */
function own(node) {
  const several = node.oneOf ?? node.anyOf;
  if (!several) return node;
  return own(several.find((n) => n.type !== 'null' && !('const' in n)) ?? node);
}

/** A default with all that it leaves out. */
function expanded(value, type) {
  const rule = type.$ref ? PLAIN.$defs[type.$ref.slice('#/$defs/'.length)] : type;
  if (value === null || Array.isArray(value) || typeof value !== 'object' || !rule.properties) {
    return value;
  }
  const to = { ...value };
  for (const [name, node] of Object.entries(rule.properties)) {
    if (!(name in to) && node.default !== undefined) to[name] = expanded(node.default, own(node));
  }
  return to;
}

/** What the document says of the fields of an object. */
function fieldsOf(object) {
  const to = {};
  for (const [name, node] of Object.entries(object.properties)) {
    if ('const' in node) continue;
    let type = own(node);
    if (type.$ref) type = PLAIN.$defs[type.$ref.slice('#/$defs/'.length)];
    const numbers = type.type === 'array' ? type.items : type;
    to[name] = {
      ...(numbers.minimum !== undefined && { min: numbers.minimum }),
      ...(numbers.maximum !== undefined && { max: numbers.maximum }),
      ...(node.oneOf?.some((n) => n.const === 0) && { orZero: true }),
      ...(node['x-unit'] !== undefined && { unit: node['x-unit'] }),
      ...(node.default !== undefined && { default: expanded(node.default, own(node)) }),
      ...(node.description !== undefined && { meaning: node.description }),
    };
  }
  return to;
}

/** The fields of every record of the document: of one of several kinds by both names, as emitter.spot. */
function fieldTable() {
  const to = { shoot: fieldsOf(PLAIN) };
  for (const [name, node] of Object.entries(PLAIN.$defs)) {
    if (node.properties) to[name] = fieldsOf(node);
    for (const kind of node.oneOf ?? []) {
      to[`${name}.${kind.properties.kind.const}`] = fieldsOf(kind);
    }
  }
  return to;
}

const PLAIN = JSON.parse(await readFile(SCHEMA, 'utf8'));
const schema = whole(PLAIN);
const document = await compile({ ...schema, title: 'ShootDocument' }, 'ShootDocument', {
  bannerComment: '/* Generated from shoot.schema.json by scripts/generate-types.mjs. */',
  additionalProperties: false,
  style: { singleQuote: true, printWidth: 100 },
});
const api = astToString(await openapiTS(JSON.parse(await readFile(OPENAPI, 'utf8'))));
await mkdir(TO, { recursive: true });
await writeFile(new URL('document.ts', TO), document);
await writeFile(
  new URL('api.ts', TO),
  `/* Generated from openapi.json by scripts/generate-types.mjs. */\n${api}`,
);
await writeFile(
  new URL('fields.ts', TO),
  '/* Generated from shoot.schema.json by scripts/generate-types.mjs. */\n' +
    `export const fields = ${JSON.stringify(fieldTable(), null, 2)} as const;\n`,
);
