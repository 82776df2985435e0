const BAD_REQUEST = 400;

/** A request that cannot be meant: an answer in a sentence, with the status that says so. */
export const badRequest = (says: string): Response => new Response(says, { status: BAD_REQUEST });

/** The JSON of a request's body; throws a `Response` of 400 with a sentence where it holds none. */
export async function jsonOf(request: Request): Promise<unknown> {
  try {
    return await request.json();
  } catch {
    throw badRequest('The request holds no JSON.');
  }
}
