import project from '../../../../package.json' with { type: 'json' };

/** Says that the service is up, and which version it is. */
export function GET(): Response {
  return Response.json({ ok: true, version: project.version });
}
