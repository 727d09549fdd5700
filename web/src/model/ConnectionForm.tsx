import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { SureButton } from '../frame/SureButton';
import { money } from './connections';

type Order = Schema['ConnectionOrder'];

const NEW: Order = {
  name: '',
  address: '',
  model: '',
  key: '',
  priceAsked: 0,
  priceAnswered: 0,
  monthlyMost: 0,
  takesPictures: false,
};

/** A connection as a sentence; its owner can change the words. */
export function ConnectionForm(props: {
  /** Missing for one that is to be added. */
  connection?: Schema['ConnectionView'];
  isOwner: boolean;
  onKept: () => void;
}) {
  const { connection } = props;
  const queries = useQueryClient();
  const notice = useNotice();
  const was: Order = connection
    ? {
        name: connection.name,
        address: connection.address,
        model: connection.model,
        key: '',
        priceAsked: connection.priceAsked,
        priceAnswered: connection.priceAnswered,
        monthlyMost: connection.monthlyMost,
        takesPictures: connection.takesPictures,
      }
    : NEW;
  const [order, setOrder] = useState(was);
  const set = (change: Partial<Order>) => setOrder((now) => ({ ...now, ...change }));
  const price = (typed: string) => Number(typed.replace(',', '.')) || 0;
  const isChanged = JSON.stringify(order) !== JSON.stringify(was);
  const refresh = () => queries.invalidateQueries({ queryKey: ['connections'] });
  const keep = useMutation({
    mutationFn: () =>
      take(
        connection
          ? api.PUT('/api/connections/{id}', {
              params: { path: { id: connection.id } },
              body: order,
            })
          : api.POST('/api/connections', { body: order }),
      ),
    onSuccess: (kept) => {
      notice.say(`“${kept.name}” is kept.`);
      set({ key: '' });
      props.onKept();
      return refresh();
    },
    onError: notice.trouble,
  });
  const greet = useMutation({
    mutationFn: () =>
      take(
        api.POST('/api/connections/{id}/greet', { params: { path: { id: connection?.id ?? 0 } } }),
      ),
    onSuccess: (g) =>
      notice.say(
        `${connection?.name} answered “${g.answer}” in ${(g.millis / 1000).toFixed(1)} seconds.`,
      ),
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: () =>
      take(api.DELETE('/api/connections/{id}', { params: { path: { id: connection?.id ?? 0 } } })),
    onSuccess: () => {
      notice.say(`“${connection?.name}” is gone. Texts that it wrote stay.`);
      return refresh();
    },
    onError: notice.trouble,
  });
  const of = connection ? ` of ${connection.name}` : '';
  return (
    <Box
      data-testid={connection ? 'connection' : 'new-connection'}
      sx={{ borderTop: 1, borderColor: 'divider', mt: 2.5, pt: 1 }}
    >
      <Box
        component="fieldset"
        disabled={!props.isOwner}
        sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}
      >
        <Sentence>
          {connection ? '' : 'Another one: ask '}
          <TypedWord
            label={`Name${of}`}
            value={order.name}
            otherwise="a name of your own"
            onSettled={(name) => set({ name })}
          />{' '}
          {connection ? 'is asked at' : 'at'}{' '}
          <TypedWord
            label={`Address${of}`}
            value={order.address}
            otherwise="https://models.example/v1"
            onSettled={(address) => set({ address })}
          />{' '}
          for{' '}
          <TypedWord
            label={`Model${of}`}
            value={order.model}
            otherwise="the model’s name there"
            onSettled={(model) => set({ model })}
          />{' '}
          with the key{' '}
          <TypedWord
            key={connection?.keyEnds}
            label={`Key${of}`}
            value={order.key}
            otherwise={connection?.keyEnds ? `that ends ${connection.keyEnds}` : 'none'}
            isSecret
            onSettled={(key) => set({ key })}
          />
          . A million tokens cost{' '}
          <TypedWord
            label={`Price of questions${of}`}
            value={String(order.priceAsked)}
            onSettled={(typed) => set({ priceAsked: price(typed) })}
          />{' '}
          asked and{' '}
          <TypedWord
            label={`Price of answers${of}`}
            value={String(order.priceAnswered)}
            onSettled={(typed) => set({ priceAnswered: price(typed) })}
          />{' '}
          answered; in a month it may cost{' '}
          <TypedWord
            label={`Most in a month${of}`}
            value={order.monthlyMost ? String(order.monthlyMost) : ''}
            otherwise="any amount"
            onSettled={(typed) => set({ monthlyMost: price(typed) })}
          />
          , and{' '}
          <Word
            label={`Pictures${of}`}
            value={order.takesPictures ? 'yes' : 'no'}
            choices={[
              { value: 'no', label: 'it is sent no pictures' },
              { value: 'yes', label: 'products’ pictures go with its questions' },
            ]}
            onChange={(said) => set({ takesPictures: said === 'yes' })}
          />
          .
        </Sentence>
      </Box>
      {connection && (
        <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
          This month it answered {count(connection.answers, 'question')} for{' '}
          {money(connection.spent)}.
        </Box>
      )}
      {props.isOwner && (
        <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
          <Button
            variant="contained"
            disabled={!isChanged || keep.isPending}
            onClick={() => keep.mutate()}
          >
            {connection ? 'Keep the change' : 'Add it'}
          </Button>
          {connection && (
            <>
              <Button disabled={isChanged || greet.isPending} onClick={() => greet.mutate()}>
                {greet.isPending ? 'Asking…' : 'Have it say a word'}
              </Button>
              <SureButton sure="Really: with its key" onSure={() => remove.mutate()}>
                Do away with it
              </SureButton>
            </>
          )}
        </Box>
      )}
    </Box>
  );
}
