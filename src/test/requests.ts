/** A request as a page of Havrik's own sends it. */
export const send = (body: unknown, type = 'application/json') =>
  new Request('http://127.0.0.1/', {
    method: 'PUT',
    body: typeof body === 'string' ? body : JSON.stringify(body),
    headers: { 'content-type': type },
  });
/** Status and words of an answer. */
export const message = async (response: Response) =>
  `${response.status} ${((await response.json()) as { message: string }).message}`;
