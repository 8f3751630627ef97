import type { Operation, ShootDocument } from './document';

function child(node: unknown, key: string): unknown {
  return (node as Record<string, unknown>)[key];
}

/** Applies operations to a copy; only what they touch is copied. */
export function patched(document: ShootDocument, operations: Operation[]): ShootDocument {
  return operations.reduce<unknown>(
    (node, operation) => changed(node, operation.path.split('/').slice(1), operation),
    document,
  ) as ShootDocument;
}

function changed(node: unknown, way: string[], operation: Operation): unknown {
  const [head, ...rest] = way;
  if (head === undefined) {
    return operation.value;
  }
  if (Array.isArray(node)) {
    const list: unknown[] = [...(node as unknown[])];
    const i = head === '-' ? list.length : Number(head);
    if (rest.length > 0) {
      list[i] = changed(list[i], rest, operation);
    } else if (operation.op === 'add') {
      list.splice(i, 0, operation.value);
    } else if (operation.op === 'remove') {
      list.splice(i, 1);
    } else {
      list[i] = operation.value;
    }
    return list;
  }
  const copy = { ...(node as Record<string, unknown>) };
  if (rest.length > 0) {
    copy[head] = changed(child(node, head), rest, operation);
  } else if (operation.op === 'remove') {
    // eslint-disable-next-line @typescript-eslint/no-dynamic-delete
    delete copy[head];
  } else {
    copy[head] = operation.value;
  }
  return copy;
}

/** The operation that sets a field of an entry found by its id. */
export function setField(
  document: ShootDocument,
  list: 'banks' | 'lights' | 'pieces' | 'shots' | 'looks' | 'materials',
  id: string,
  field: string,
  value: unknown,
): Operation {
  const index = document[list].findIndex((entry) => entry.id === id);
  return { op: 'replace', path: `/${list}/${index}/${field}`, value };
}
