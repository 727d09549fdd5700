import {
  queryOptions,
  skipToken,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { ANY, which } from '../product/filter';
import { RHETOR } from '../run/author';
import { ALL } from '../run/extent';
import { told } from './told';

export type Learnable = Schema['Learnable'];

/** What a yes did: words that are kept, and a run that writes the texts anew that they touch. */
export interface Taught {
  headings: string[];
  /** What was said: how facts are told, what cells mean, what lists call a heading, or a verdict. */
  what: 'told' | 'read' | 'called' | 'liked' | 'disliked' | 'noted';
  /** None if all such texts are people’s own, or being written anyway. */
  run?: number;
  /** Takes the words back. */
  forget: () => Promise<unknown>;
}

/** Cells of one kind of fact, and what each means; empty words take what was said back. */
export interface CellsSaid {
  fact: string;
  label: string;
  cells: Schema['CellWord'][];
}

/** What somebody thinks of how a passage of a text is put. */
export interface PassageJudged {
  product: number;
  verdict: Schema['NewVerdict'];
}

/** Between two looks at how far the texts are that are written anew. */
const LOOK = 600;

/** Keeps wordings, writes the texts anew that they touch, and takes both back. */
export function useTeaching() {
  const queries = useQueryClient();
  const notice = useNotice();
  const [taught, setTaught] = useState<Taught>();
  const refresh = useCallback(
    () =>
      ['proof', 'product', 'concepts', 'cells', 'verdicts', 'products', 'runs'].forEach((key) =>
        queries.invalidateQueries({ queryKey: [key] }),
      ),
    [queries],
  );
  const id = taught?.run;
  const run = useQuery({
    queryKey: ['teaching', id],
    queryFn: id ? () => take(api.GET('/api/runs/{id}', { params: { path: { id } } })) : skipToken,
    refetchInterval: (q) => (hasEnded(q.state.data) ? false : LOOK),
  });
  const isWritten = hasEnded(run.data);
  // The texts on the screen are the new ones once they are there.
  useEffect(() => {
    if (isWritten) refresh();
  }, [isWritten, refresh]);
  /** Writes texts anew, where there are any: what can’t be written now stays stale, and says so. */
  const write = async (products: number[]) => {
    if (products.length === 0) return undefined;
    const order = {
      ...which(ANY, products),
      leaveSignedOff: true,
      tries: 0,
      seed: 1,
      voice: '',
      template: 0,
      author: RHETOR,
      ...ALL,
    };
    try {
      return (await take(api.POST('/api/runs', { body: order }))).id;
    } catch (e) {
      notice.trouble(e);
      return undefined;
    }
  };
  const done = {
    onSuccess: (act: Taught) => {
      setTaught(act);
      refresh();
    },
    onError: notice.trouble,
  };
  const teach = useMutation({
    mutationFn: async (some: Learnable[]): Promise<Taught> => {
      const body = { wordings: some.map(worded) };
      const learned = await take(api.POST('/api/concepts/wordings', { body }));
      return {
        headings: some.map((l) => l.heading),
        what: 'told',
        run: await write(learned.products),
        forget: () => take(api.POST('/api/concepts/wordings/take-back', { body })),
      };
    },
    ...done,
  });
  const put = useMutation({
    mutationFn: async (some: CellsSaid[]): Promise<Taught> => {
      const facts = some.map(({ fact, cells }) => ({ fact, cells }));
      const kept = await take(api.PUT('/api/cells', { body: { facts } }));
      return {
        headings: some.map((s) => s.label),
        what: 'read',
        run: await write(kept.products),
        forget: () => take(api.PUT('/api/cells', { body: { facts: kept.before } })),
      };
    },
    ...done,
  });
  const call = useMutation({
    mutationFn: async ({ heading, label }: Schema['HeadingCalled']): Promise<Taught> => {
      const body = { heading, label };
      const called = await take(api.POST('/api/concepts/headings', { body }));
      return {
        headings: [label],
        what: 'called',
        run: await write(called.products),
        forget: () =>
          take(api.POST('/api/concepts/headings', { body: { heading, label: heading } })),
      };
    },
    ...done,
  });
  const judge = useMutation({
    mutationFn: async ({ product, verdict }: PassageJudged): Promise<Taught> => {
      const path = { params: { path: { id: product } } };
      const given = await take(api.POST('/api/proofs/{id}/verdicts', { ...path, body: verdict }));
      const isOnly = given.wordings.every((w) => w.effect === 'NO_OTHER');
      const wordings = given.wordings.map(({ concept, wording }) => ({ concept, wording }));
      return {
        headings: given.wordings.map((w) => saidOf(w)),
        what: verdict.isGood ? 'liked' : isOnly ? 'noted' : 'disliked',
        run: await write(given.products),
        forget: () =>
          take(api.POST('/api/proofs/{id}/verdicts/take-back', { ...path, body: { wordings } })),
      };
    },
    ...done,
  });
  const undo = useMutation({
    mutationFn: async ({ run, forget }: Taught) => {
      if (run) {
        // It may still be writing; one that has ended refuses, and that is as well.
        await api.POST('/api/runs/{id}/stop', { params: { path: { id: run } } });
      }
      const back = run
        ? await take(api.POST('/api/runs/{id}/take-back', { params: { path: { id: run } } }))
        : { texts: 0 };
      await forget();
      return back;
    },
    onSuccess: (back) => {
      notice.say(
        `Taken back: ${count(back.texts, 'text')} read as before, and the words are gone.`,
      );
      setTaught(undefined);
      refresh();
    },
    onError: notice.trouble,
  });
  return {
    taught,
    isWritten: !id || isWritten,
    teach: (some: Learnable[]) => teach.mutate(some),
    put: (some: CellsSaid[]) => put.mutate(some),
    call: (called: Schema['HeadingCalled']) => call.mutate(called),
    judge: (judged: PassageJudged) => judge.mutate(judged),
    takeBack: () => taught && undo.mutate(taught),
    isBusy: [teach, put, call, judge, undo].some((m) => m.isPending),
  };
}

const hasEnded = (run: Schema['RunView'] | undefined) =>
  run?.run.status === 'DONE' || run?.run.status === 'STOPPED';

/** What lines say by now, by what they say it of. */
export function useSaid<T>() {
  const [said, setSaid] = useState<ReadonlyMap<string, T>>(new Map());
  const onSaid = useCallback((of: string, what: T | undefined) => {
    setSaid((now) => {
      if (now.get(of) === what) return now;
      const next = new Map(now);
      if (what) next.set(of, what);
      else next.delete(of);
      return next;
    });
  }, []);
  return { said, onSaid };
}

/** What a wording would do to the texts of all products that have such a fact. */
export const trialOf = (l: Learnable) =>
  queryOptions({
    queryKey: ['concepts', 'try-wording', worded(l)],
    queryFn: () =>
      take(api.POST('/api/concepts/wordings/try', { body: { wordings: [worded(l)] } })),
    retry: false,
  });

/** The wording alone, as it is kept. */
export const worded = ({ heading, concept, kind, form, wording }: Learnable) => ({
  heading,
  concept,
  kind,
  form,
  wording,
});

/** A kind of fact is put otherwise of other kinds of products, a heading of its own isn't. */
export const whom = (l: Learnable) =>
  l.concept === ''
    ? 'every product that has it'
    : l.of === ''
      ? 'all products whose kind isn’t known'
      : `all ${l.of}`;

/** A wording that somebody judged as a person reads it: "Weight, to weigh ⟨Weight⟩". */
export const saidOf = (w: { label: string; form: string; wording: string }) =>
  `${w.label}, ${told(w.form, w.wording.replace(/\{[^}]*\}/g, `⟨${w.label}⟩`))}`;

/** A wording as a person reads it, with the heading where the value goes. */
export const said = (l: Learnable) =>
  told(l.form, l.wording.replace(/\{(?:asis|v)\}/, `⟨${l.heading}⟩`));
