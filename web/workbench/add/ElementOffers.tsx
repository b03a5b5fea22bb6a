import { Box, ButtonBase } from '@mui/material';
import type { PointerEvent } from 'react';
import { KindIcon } from '../../ui/KindIcon.tsx';
import { line, petrol, raised } from '../../ui/theme.ts';
import type { Offer } from './offers.ts';

interface ElementOffersProps {
  offers: readonly Offer[];
  /** Where an offer would go, in words. */
  describe(offer: Offer): string;
  possible(offer: Offer): boolean;
  onPress(press: PointerEvent<HTMLElement>, offer: Offer): void;
  onAdd(offer: Offer): void;
}

/** Kinds of elements, a button each. */
export function ElementOffers({ offers, describe, possible, onPress, onAdd }: ElementOffersProps) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.75 }}>
      {offers.map((offer) => (
        <ButtonBase
          key={offer.id}
          disabled={!possible(offer)}
          title={describe(offer)}
          onPointerDown={(press) => onPress(press, offer)}
          onClick={() => onAdd(offer)}
          sx={{
            justifyContent: 'flex-start',
            gap: 1,
            fontFamily: 'inherit',
            px: 1,
            minHeight: 32,
            fontSize: 12.5,
            textAlign: 'start',
            lineHeight: 1.2,
            border: `1px solid ${line}`,
            borderRadius: 0.75,
            bgcolor: raised,
            touchAction: 'none',
            cursor: 'grab',
            '&:hover, &:focus-visible': { borderColor: petrol, color: petrol },
            '&.Mui-disabled': { opacity: 0.45 },
          }}
        >
          <KindIcon kind={offer.kind} />
          {offer.label}
        </ButtonBase>
      ))}
    </Box>
  );
}
