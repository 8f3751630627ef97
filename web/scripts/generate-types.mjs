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

const schema = whole(JSON.parse(await readFile(SCHEMA, 'utf8')));
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
