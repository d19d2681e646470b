const MOST = 40;

/** What was answered to an address, and under which tag. */
interface Kept {
  etag: string;
  text: string;
}

/**
 * Answers kept in the page, so that a view asked for again can be answered with "as before" (304). Not the browser's cache: what is about students is
 * not to stay on a disk.
 */
export class SameAsBefore {
  private readonly kept = new Map<string, Kept>();

  /** Says which answer is here already. */
  ask(request: Request): void {
    const there = request.method === 'GET' ? this.kept.get(request.url) : undefined;
    if (there) request.headers.set('If-None-Match', there.etag);
  }

  /** The answer, or the one from before. */
  async answer(request: Request, response: Response): Promise<Response> {
    if (request.method !== 'GET') return response;
    const there = this.kept.get(request.url);
    if (response.status === 304 && there) {
      return new Response(there.text, { status: 200, headers: { 'Content-Type': 'application/json' } });
    }
    const etag = response.headers.get('ETag');
    if (response.ok && etag) {
      this.kept.delete(request.url);
      this.kept.set(request.url, { etag, text: await response.clone().text() });
      const oldest = this.kept.keys().next();
      if (this.kept.size > MOST && !oldest.done) this.kept.delete(oldest.value);
    }
    return response;
  }

  /** Somebody else signs in, or nobody is. */
  clear(): void {
    this.kept.clear();
  }
}
