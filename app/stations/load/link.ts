import { isPassCode } from '#core/link/protocol';
import { readIntents } from '#core/sheet/intents';
import { beginLinkJob, cancelLinkJob, linkJobOf } from '#server/link/linkJobs';
import { changePassCode } from '#server/link/passCode';
import { readJson } from '#server/readBody';
import { keepPassCode } from '#server/repositories/rigs';
import { benchAtEsc, benchOf } from '../bench/benchData.server';
import type { Route } from './+types/link';

/** Where the last job on the link of this rig stands; null where there was none since the server started. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return Response.json({ job: linkJobOf(rigId) ?? null });
}

/** Begins or stops a job on the link. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const body = await readJson(request);
  if (body.do === 'cancel') {
    cancelLinkJob(bench.rigId);
    return Response.json({ ok: true });
  }
  if (body.do === 'sayPassCode' || body.do === 'changePassCode') {
    const passCode = Number(body.passCode);
    if (!isPassCode(passCode))
      return refused('A pass code has four digits and does not start with zero.', 400);
    if (body.do === 'sayPassCode') {
      await keepPassCode(bench.rigId, passCode);
      return Response.json({ ok: true });
    }
    const sentence = await changePassCode(bench, passCode);
    return sentence === undefined ? Response.json({ ok: true }) : refused(sentence, 409);
  }
  const intents = readIntents(bench.profile, body.intents);
  if (body.do !== 'begin' || !intents) {
    return refused('This load uses stops that the ESC does not have.', 400);
  }
  const sentence = beginLinkJob(benchAtEsc(bench, body.escNumber), intents);
  return sentence === undefined ? Response.json({ ok: true }) : refused(sentence, 409);
}

const refused = (sentence: string, status: number): Response => Response.json({ sentence }, { status });
