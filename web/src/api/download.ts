import { problemOf, reached } from './client';

/** What a download has got to. */
export interface Downloaded {
  bytes: number;
  /** Bytes in all; null where the application does not say. */
  of: number | null;
}

function nameOf(response: Response, url: string): string {
  const said = /filename\*?="?(?:UTF-8'')?([^";]+)"?/.exec(
    response.headers.get('content-disposition') ?? '',
  );
  return said?.[1]
    ? decodeURIComponent(said[1])
    : (url.split(/[?#]/)[0]!.split('/').pop() ?? 'file');
}

/**
 * Fetches a file to be saved; a refusal is a problem in words, not a page of its own.
 *
 * @param onProgress told as parts come
 */
export async function fetched(
  url: string,
  onProgress: (at: Downloaded) => void,
): Promise<{ name: string; blob: Blob }> {
  const response = await reached(fetch(url));
  if (!response.ok) throw await problemOf(response);
  const length = Number(response.headers.get('content-length'));
  const of = length > 0 && !response.headers.get('content-encoding') ? length : null;
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let bytes = 0;
  const reader = response.body!.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    parts.push(value);
    bytes += value.length;
    onProgress({ bytes, of });
  }
  const type = response.headers.get('content-type') ?? 'application/octet-stream';
  return { name: nameOf(response, url), blob: new Blob(parts, { type }) };
}

/** Hands a file to the browser to be saved. */
export function saveAs(name: string, blob: Blob) {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
