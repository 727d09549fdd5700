import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schema = components['schemas'];

/** What the server says when it can't do something: what happened, where, and what to do. */
export class Problem extends Error {
  readonly status: number;

  constructor(status: number, detail: string) {
    super(detail);
    this.status = status;
  }
}

function csrfToken(): string {
  const cookie = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN='));
  return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

export const api = createClient<paths>({ baseUrl: '/' });

/** Told when the server no longer knows who is signed in. */
export const SIGNED_OUT = 'rhetor:signed-out';

/** Orders that do something, which a double click or a lost answer must not do twice. */
const ACTS =
  /^\/api\/(runs(\/\d+\/(stop|retry|take-back))?|concepts\/wordings|editions|pulls|intakes\/\d+\/(take|take-back)|products\/\d+\/shop|proofs\/sign-off|proofs\/\d+\/(undo|restore|sign-off|send-back|comments|takes|lines|rewritten)|audit\/mend|keywords\/assign|variants(\/all)?|people)$/;

/** How long after its answer the same order is still taken for the same click, in milliseconds. */
const SAME_CLICK = 1500;

const orders = new Map<string, { key: string; answered: number }>();

/** The key of an order: the same for as long as it is unanswered, and for a moment after. */
function keyOf(order: string): string {
  const now = Date.now();
  for (const [other, known] of orders) {
    if (known.answered > 0 && now - known.answered > SAME_CLICK) orders.delete(other);
  }
  const known = orders.get(order) ?? { key: crypto.randomUUID(), answered: 0 };
  orders.set(order, known);
  return known.key;
}

api.use({
  async onRequest({ request }) {
    if (request.method === 'GET') return request;
    request.headers.set('X-XSRF-TOKEN', csrfToken());
    const path = new URL(request.url).pathname;
    if (request.method === 'POST' && ACTS.test(path)) {
      const body = await request.clone().text();
      const order = `${path}\n${request.headers.get('If-Match') ?? ''}\n${body}`;
      request.headers.set('Idempotency-Key', keyOf(order));
    }
    return request;
  },
  onResponse({ request, response }) {
    const key = request.headers.get('Idempotency-Key');
    for (const known of orders.values()) {
      if (known.key === key) known.answered = Date.now();
    }
    const path = new URL(request.url).pathname;
    if (response.status === 401 && path !== '/api/session') {
      window.dispatchEvent(new Event(SIGNED_OUT));
    }
    return response;
  },
});

/** The answer's data, or a {@link Problem} thrown. */
export async function take<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new Problem(
      0,
      'The server can’t be reached. Nothing you typed is lost; try again in a moment.',
    );
  }
  if (!result.response.ok) {
    const detail = (result.error as { detail?: string } | undefined)?.detail;
    throw new Problem(
      result.response.status,
      detail ?? `The server answered with an error (${result.response.status}).`,
    );
  }
  return result.data as T;
}

function send<T>(
  path: string,
  form: FormData | File,
  onProgress: (share: number) => void,
): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', path);
    request.setRequestHeader('X-XSRF-TOKEN', csrfToken());
    request.responseType = 'json';
    if (form instanceof File) request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.onprogress = (e) => onProgress(e.total ? e.loaded / e.total : 0);
    request.onload = () => {
      if (request.status === 401) window.dispatchEvent(new Event(SIGNED_OUT));
      return request.status < 300
        ? resolve(request.response)
        : reject(
            new Problem(request.status, request.response?.detail ?? 'The file was not accepted.'),
          );
    };
    request.onerror = () =>
      reject(
        new Problem(
          0,
          'The connection was lost while sending the file. Nothing was stored; drop it again.',
        ),
      );
    request.send(form);
  });
}

/** Sends a sheet with progress from 0 to 1; the fetch API can’t tell how far an upload is. */
export function upload(
  file: File,
  supplier: string,
  onProgress: (share: number) => void,
): Promise<Schema['IntakeView']> {
  const form = new FormData();
  form.append('supplier', supplier);
  form.append('file', file);
  return send('/api/intakes', form, onProgress);
}

/** Sends search data with progress from 0 to 1. */
export function uploadSearchData(
  file: File,
  onProgress: (share: number) => void,
): Promise<Schema['SearchIntake']> {
  return send(
    `/api/keywords/search-data?fileName=${encodeURIComponent(file.name)}`,
    file,
    onProgress,
  );
}

/** Sends one picture, or a ZIP of them. */
export function uploadPicture(file: File): Promise<Schema['CameIn']> {
  const form = new FormData();
  form.append('file', file);
  return send('/api/pictures', form, () => {});
}
