import { useLayoutEffect, useState } from 'react';
import {
  isImage,
  knownProperty,
  resolve,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { boxIn, type SheetDocument } from '../../../page/sheetdocument.ts';
import { useAppSelector } from '../../../state/store.ts';
import { CropFrame } from './CropFrame.tsx';

interface CropProps {
  site: SiteFrame;
  page: Page;
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
  /** Changes whenever things may have moved. */
  moved: number;
  onLeave: () => void;
}

/** Over a sheet: the frame of the image whose crop is changed in its view, where the sheet shows it. */
export function Crop({ site, page, view, sheet, scale, moved, onLeave }: CropProps) {
  const cropping = useAppSelector((state) =>
    state.desk.cropping?.view === view ? state.desk.cropping : null,
  );
  const node = cropping ? page.nodes[cropping.node] : undefined;
  const [box, setBox] = useState<DOMRect | null>(null);
  const id = node?.id;
  useLayoutEffect(() => setBox(id === undefined ? null : boxIn(sheet.elementOf(id))), [sheet, id, moved]);
  if (!node || !box) return null;
  const source = resolve(site, page, node, knownProperty('source'), view);
  const image = site.assets.filter(isImage).find((asset) => asset.id === source);
  if (!image) return null;
  const { left, top, width, height } = box;
  return (
    <CropFrame
      key={`${node.id} ${image.id}`}
      {...{ site, page, node, view, image, onLeave }}
      box={{ width, height }}
      at={{ left: left * scale, top: top * scale, width: width * scale }}
    />
  );
}
