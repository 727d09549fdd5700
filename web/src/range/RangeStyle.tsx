import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { SureButton } from '../frame/SureButton';
import { LayerForm } from '../style/LayerForm';

/** What a range decides otherwise than the house. */
export function RangeStyle({ range, onGone }: { range: Schema['Range']; onGone: () => void }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const remove = useMutation({
    mutationFn: () => take(api.DELETE('/api/ranges/{id}', { params: { path: { id: range.id } } })),
    onSuccess: () => {
      notice.say(`The range “${range.name}” is gone; its products are under the house’s style.`);
      onGone();
      for (const key of ['ranges', 'angles', 'products', 'audit']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
    onError: notice.trouble,
  });
  return (
    <LayerForm
      of={{ kind: 'range', owner: String(range.id), name: range.name }}
      about={
        <>
          <Link to={`/products?range=${range.id}`}>Its products</Link>. What is not decided here is
          as the house has it.
        </>
      }
      actions={
        <SureButton
          sure={`Really: its ${count(range.products, 'product')} stay, its style goes`}
          onSure={() => remove.mutate()}
        >
          Do away with the range
        </SureButton>
      }
    />
  );
}
