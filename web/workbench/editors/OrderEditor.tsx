import { isDeep, type Node, type NodeId, same, sure } from '../../../core/index.ts';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Box, Button, Typography } from '@mui/material';
import { ArrowDownUp, GripVertical } from 'lucide-react';
import { openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { line, petrolTint, raised } from '../../ui/theme.ts';
import { KindIcon } from '../../ui/KindIcon.tsx';
import { leading, propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

function Part({ node, own, sourcePlace }: { node: Node; own: boolean; sourcePlace: number }) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: node.id });
  return (
    <Box
      ref={setNodeRef}
      component="li"
      style={{ transform: CSS.Transform.toString(transform), transition }}
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        px: 0.75,
        height: 32,
        mb: 0.5,
        border: `1px solid ${line}`,
        borderRadius: 0.5,
        bgcolor: own ? petrolTint : raised,
        listStyle: 'none',
      }}
    >
      <Box
        {...attributes}
        {...listeners}
        aria-label={`Move ${node.name}`}
        sx={{ display: 'inline-flex', p: 0.5, cursor: 'grab', touchAction: 'none' }}
      >
        <GripVertical size={14} aria-hidden />
      </Box>
      <KindIcon kind={node.kind} />
      <Typography noWrap sx={{ flex: 1, fontSize: 13, fontWeight: own ? 700 : 400 }}>
        {node.name}
      </Typography>
      <Typography sx={{ fontSize: 11, color: 'text.secondary' }}>source {sourcePlace}</Typography>
    </Box>
  );
}

/** The order of a container's parts in a view, as one list to drag; it is always the whole sequence. */
export function OrderEditor({ row, cell, context, onSet, onClose }: EditorProps) {
  const dispatch = useAppDispatch();
  const holder = leading(row.holders) as Node;
  const page = useAppSelector((state) => sure(openPage(state)).page);
  const { order, source, child } = sure(context.siblings, 'siblings');
  const deep = isDeep(holder.kind);
  const isSequence = propertyOfRow(row).sequence === true;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const next = arrayMove(order, order.indexOf(active.id as NodeId), order.indexOf(over.id as NodeId));
    if (!same(next, order)) onSet(next);
  };
  return (
    <Box sx={{ p: 1.5, width: 290 }}>
      <Typography sx={{ fontSize: 12, color: 'text.secondary', mb: 1 }}>
        {holder.name} in {cell.view.name}, {deep ? 'from back to front' : 'first to last'}. Reading and tab
        order follow the source.
      </Typography>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={order} strategy={verticalListSortingStrategy}>
          <Box component="ol" aria-label={`Order in ${cell.view.name}`} sx={{ m: 0, p: 0 }}>
            {order.map((id) => (
              <Part key={id} node={page.nodes[id]} own={id === child} sourcePlace={source.indexOf(id) + 1} />
            ))}
          </Box>
        </SortableContext>
      </DndContext>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
        <Button
          size="small"
          startIcon={<ArrowDownUp size={14} />}
          onClick={() => onSet([...order].reverse())}
        >
          Reverse
        </Button>
        {isSequence && (cell.value as NodeId[]).length > 0 && (
          <Button size="small" onClick={() => onSet([])}>
            Keep columns together
          </Button>
        )}
        {!isSequence && !same(order, source) && (
          <>
            <Button size="small" onClick={() => onSet(source)}>
              As in source
            </Button>
            {!deep && (
              <Button
                size="small"
                title="Every view stays as it looks; reading and tab order become this one"
                onClick={() =>
                  dispatch(edit('makeSourceOrder', { node: holder.id, view: cell.view.id })) && onClose()
                }
              >
                Make this the source order
              </Button>
            )}
          </>
        )}
      </Box>
      {!deep && !same(order, source) && (
        <Typography sx={{ fontSize: 12, color: 'text.secondary', mt: 0.5 }}>
          For screen readers and the keyboard, the parts still come in source order (WCAG 2.2, 1.3.2 and
          2.4.3).
        </Typography>
      )}
    </Box>
  );
}
