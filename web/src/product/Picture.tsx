import Box from '@mui/material/Box';
import type { Schema } from '../api/client';

/** A small picture of a product, or the room for one. */
export function Picture(props: { product: Schema['ProductLine']; size: number }) {
  const { product, size } = props;
  const room = { width: size, height: size, flex: 'none', bgcolor: 'action.hover' } as const;
  return product.picture > 0 ? (
    <Box
      component="img"
      src={`/api/pictures/${product.picture}/small`}
      alt=""
      loading="lazy"
      sx={{ ...room, objectFit: 'cover' }}
    />
  ) : (
    <Box aria-hidden sx={room} />
  );
}
