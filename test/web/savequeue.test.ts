/** The save queue by itself: what it does with each answer, and how long it waits. No browser, no server, no real time. */
import { expect } from 'chai';
import fc from 'fast-check';
import { SaveQueue, waitAfter, type Clock, type SaveStatus } from '../../web/state/savequeue.ts';
import { inParts, transport, type Answer } from '../../web/state/transport.ts';
import type { Operation } from '../../core/index.ts';

/** A clock whose time passes only when it is told to. */
function fakeClock() {
  const timers: { at: number; done: () => void }[] = [];
  const waits: number[] = [];
  let now = 0;
  const clock: Clock = {
    now: () => now,
    random: () => 0,
    soon: (done) => void timers.push({ at: now, done }),
    later(ms, done) {
      waits.push(ms);
      const timer = { at: now + ms, done };
      timers.push(timer);
      return () => void timers.splice(timers.indexOf(timer), 1);
    },
  };
  return {
    clock,
    waits,
    /** Lets pass whatever waits are asked for until nothing is waited for any more, at most so many. */
    async pass(most = 100) {
      for (let turn = 0; turn < most; turn++) {
        await settled();
        const next = timers.sort((one, other) => one.at - other.at).shift();
        if (!next) return;
        now = Math.max(now, next.at);
        next.done();
      }
    },
  };
}

/** Until all that can go on without time has gone on. */
const settled = async () => {
  for (let turn = 0; turn < 20; turn++) await Promise.resolve();
};

interface Edit {
  key: string;
}

/** A save queue of some edits whose answers are given one after the other. */
function queueOf(keys: string[], answers: (Answer | ((edit: Edit) => Answer))[]) {
  const time = fakeClock();
  const edits: Edit[] = keys.map((key) => ({ key }));
  const reported: SaveStatus[] = [];
  const events: string[] = [];
  const drop = ({ key }: Edit) =>
    edits.splice(
      edits.findIndex((each) => each.key === key),
      1,
    );
  let trouble: string | undefined;
  const saveQueue = new SaveQueue<Edit>(
    {
      next: () => edits[0],
      async send(edit) {
        events.push(`send ${edit.key}`);
        const answer = answers.shift() ?? ({ kind: 'saved', revision: 2, missed: [] } as const);
        return typeof answer === 'function' ? answer(edit) : answer;
      },
      kept(edit) {
        events.push(`kept ${edit.key}`);
        drop(edit);
      },
      async outdated(edit) {
        events.push(`outdated ${edit.key}`);
        return trouble;
      },
      refused(edit, why) {
        events.push(`refused ${edit.key}: ${why}`);
        drop(edit);
      },
      tell: (each) => reported.push(each),
    },
    time.clock,
  );
  return {
    saveQueue,
    edits,
    reported,
    events,
    ...time,
    fail: (why: string | undefined) => (trouble = why),
  };
}

const later = (sentence: string, after?: number): Answer => ({
  kind: 'later',
  sentence,
  ...(after !== undefined && { after }),
});

describe('the save queue', () => {
  it('sends one edit after the other, each once, and tells when all is kept', async () => {
    const { saveQueue, events, reported, pass } = queueOf(['a', 'b'], []);
    void saveQueue.keep();
    const ended = saveQueue.keep();
    await pass();
    await ended;
    expect(events).to.deep.equal(['send a', 'kept a', 'send b', 'kept b']);
    expect(reported.at(-1)!.state).to.equal('saved');
    const idle = saveQueue.keep();
    await pass();
    await idle;
    expect(events, 'nothing is left').to.have.length(4);
  });

  it('sends again what was not answered or not now, the same edit, with waits that grow', async () => {
    const lost = Array.from({ length: 9 }, () => later('cannot be reached'));
    const { saveQueue, events, reported, waits, pass } = queueOf(['a'], lost);
    void saveQueue.keep();
    await pass();
    expect(events).to.deep.equal([...Array.from({ length: 10 }, () => 'send a'), 'kept a']);
    expect(waits).to.deep.equal([500, 1000, 2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000]);
    expect(reported.filter(({ state }) => state === 'failing')).to.have.length(9);
    expect(reported.at(-1)!.state).to.equal('saved');
  });

  it('waits at least as long as the server asks for', async () => {
    const { saveQueue, waits, pass } = queueOf(['a'], [later('too many', 7000), later('too many', 100)]);
    void saveQueue.keep();
    await pass();
    expect(waits).to.deep.equal([7000, 1000]);
  });

  it('tries again at once when it is told to, and begins with short waits after it has succeeded', async () => {
    const { saveQueue, waits, events, pass } = queueOf(['a', 'b'], [later('no'), later('no')]);
    void saveQueue.keep();
    await pass(2);
    await settled();
    expect(waits).to.deep.equal([500, 1000]);
    saveQueue.retry();
    await pass(0);
    await settled();
    expect(events).to.include('kept a').and.include('kept b');
    const again = queueOf(['a', 'b'], [later('no'), { kind: 'saved', revision: 2, missed: [] }, later('no')]);
    void again.saveQueue.keep();
    await again.pass();
    expect(again.waits).to.deep.equal([500, 500]);
  });

  it('sets aside what is refused and goes on with the others', async () => {
    const { saveQueue, events, reported, pass } = queueOf(['a', 'b'], [{ kind: 'refused', sentence: 'No.' }]);
    void saveQueue.keep();
    await pass();
    expect(events).to.deep.equal(['send a', 'refused a: No.', 'send b', 'kept b']);
    expect(reported.some(({ state }) => state === 'failing')).to.equal(false);
  });

  it('puts an edit on top of others’ and sends it again; not in a circle without waiting', async () => {
    const circle = Array.from({ length: 5 }, (): Answer => ({ kind: 'outdated', missed: [] }));
    const { saveQueue, events, waits, pass } = queueOf(['a'], circle);
    void saveQueue.keep();
    await pass();
    expect(events.filter((event) => event === 'outdated a')).to.have.length(5);
    expect(waits, 'after the third time it waits').to.deep.equal([500, 1000]);
    expect(events.at(-1)).to.equal('kept a');
  });

  it('waits where it cannot learn what others did', async () => {
    const made = queueOf(['a'], [{ kind: 'outdated' }]);
    made.fail('The log cannot be read.');
    void made.saveQueue.keep();
    await made.pass(2);
    expect(made.reported.at(-1)).to.deep.equal({ state: 'failing', sentence: 'The log cannot be read.' });
    made.fail(undefined);
    await made.pass();
    expect(made.events.at(-1)).to.equal('kept a');
  });

  it('stops when it is closed, and leaves what is not kept as it is', async () => {
    const { saveQueue, edits, pass } = queueOf(['a'], [later('no')]);
    const ended = saveQueue.keep();
    await pass(1);
    saveQueue.close();
    await pass();
    await ended;
    expect(edits).to.deep.equal([{ key: 'a' }]);
  });

  it('waits never less than half of its time, nor more than all of it, nor less than is asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }),
        fc.nat(60_000),
        (failures, random, asked) => {
          const full = Math.min(30_000, 500 * 2 ** (failures - 1));
          const wait = waitAfter(failures, random, asked);
          expect(wait)
            .to.be.at.least(Math.max(asked, full / 2))
            .and.at.most(Math.max(asked, full));
        },
      ),
    );
  });
});

describe('a save queue that is woken at its end', () => {
  it('keeps what is made in the very moment in which it has found nothing more', async () => {
    const edits: Edit[] = [{ key: 'one' }];
    const sent: string[] = [];
    const saveQueue: SaveQueue<Edit> = new SaveQueue<Edit>(
      {
        next: () => edits[0],
        async send({ key }) {
          sent.push(key);
          return { kind: 'saved', revision: sent.length, missed: [] };
        },
        kept: () => void edits.shift(),
        outdated: async () => undefined,
        refused: () => undefined,
        tell({ state }) {
          if (state !== 'saved' || sent.length > 2) return;
          edits.push({ key: `more-${sent.length}` });
          void saveQueue.keep();
        },
      },
      { now: () => 0, random: () => 0, soon: (done) => done(), later: () => () => undefined },
    );
    void saveQueue.keep();
    for (let turn = 0; turn < 10; turn++) await settled();
    expect(sent).to.deep.equal(['one', 'more-1', 'more-2']);
  });

  it('waits where who asks is not known or may not, and sets nothing aside', async () => {
    const { fetch } = globalThis;
    try {
      for (const [status, kind] of [
        [401, 'later'],
        [403, 'later'],
        [503, 'later'],
        [422, 'refused'],
      ] as const) {
        globalThis.fetch = async () => new Response(JSON.stringify({ detail: 'So it is.' }), { status });
        const edit = { key: 'a-key-of-it', session: 's', by: 'edit' as const, sentence: 'x', operations: [] };
        const answer = await transport('http://127.0.0.1').send('a', 1, edit);
        expect(answer, `${status}`).to.deep.equal({ kind, sentence: 'So it is.' });
      }
    } finally {
      globalThis.fetch = fetch;
    }
  });
});

describe('an edit larger than a request', () => {
  it('goes in parts that are each small enough, in order, with nothing lost', () => {
    const operation = fc
      .string({ maxLength: 60 })
      .map((value): Operation => ({ op: 'set', path: '/frame/name', value }));
    fc.assert(
      fc.property(fc.array(operation, { minLength: 1, maxLength: 60 }), (operations) => {
        const parts = inParts(operations, 400);
        expect(parts.flat()).to.deep.equal(operations);
        for (const part of parts) {
          expect(part.length).to.be.greaterThan(0);
          const bytes = part.reduce((sum, each) => sum + Buffer.byteLength(JSON.stringify(each)) + 1, 0);
          expect(bytes <= 400 || part.length === 1).to.equal(true);
        }
      }),
    );
    const many = Array.from({ length: 12_000 }, (): Operation => ({ op: 'clear', path: '/x' }));
    expect(inParts(many).map(({ length }) => length)).to.deep.equal([5000, 5000, 2000]);
  });
});
