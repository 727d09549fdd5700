import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';

/** How long the question stands. */
const ASKS_FOR = 5000;

/** Does something that can’t be undone: the first click asks, the second one does it. */
export function SureButton(props: { children: string; sure: string; onSure: () => void }) {
  const [asks, setAsks] = useState(false);
  useEffect(() => {
    if (!asks) return;
    const timer = setTimeout(() => setAsks(false), ASKS_FOR);
    return () => clearTimeout(timer);
  }, [asks]);
  return (
    <Button
      color={asks ? 'error' : 'inherit'}
      onClick={() => {
        setAsks(!asks);
        if (asks) props.onSure();
      }}
    >
      {asks ? props.sure : props.children}
    </Button>
  );
}
