import { Box, InputBase } from '@mui/material';
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent } from 'react';
import type { EditReach, ValueType } from '../../../../core/index.ts';
import { coral, line, petrol, raised } from '../../../ui/theme.ts';
import { reachOf } from '../../../values/reach.ts';

interface InlineEditorProps {
  label: string;
  type: ValueType;
  initial: string;
  /** What is edited has several values. */
  mixed: boolean;
  reach: EditReach;
  /** Takes every value a number of steps up or down. */
  onStep(steps: number): void;
  /** Keeps what was typed; answers a sentence when it was refused. */
  onCommit(text: string, reach: EditReach): string | undefined;
  /** Keeps what was typed, as the keyboard has gone elsewhere. */
  onLeave(text: string): void;
  /** What was typed so far means, where that is worth saying. */
  understood(text: string): string | undefined;
  /** `left`: the keyboard is elsewhere already. */
  onClose(left?: boolean): void;
}

const hint = {
  position: 'absolute',
  right: 0,
  top: '100%',
  mt: 0.5,
  width: 210,
  p: 1,
  fontSize: 12,
  lineHeight: 1.35,
  bgcolor: raised,
  border: `1px solid ${line}`,
  borderRadius: 0.5,
  boxShadow: '0 3px 12px rgb(35 33 28 / 0.18)',
};

/** Typing in a cell. Enter keeps with the current reach, Shift+Enter here, Alt+Enter everywhere; Escape gives up. */
export function InlineEditor(props: InlineEditorProps) {
  const { label, type, initial, mixed, reach, onCommit, onLeave, understood, onStep, onClose } = props;
  const [text, setText] = useState(initial);
  const [refusal, setRefusal] = useState<string>();
  const ended = useRef(false);
  const means = refusal ? undefined : understood(text);

  const commit = (wanted: EditReach) => {
    const sentence = onCommit(text, wanted);
    setRefusal(sentence);
    if (sentence) return;
    ended.current = true;
    onClose();
  };
  const stepBy = (direction: number, event: KeyboardEvent) => {
    if (mixed && text === '' && type.step) {
      event.preventDefault();
      onStep(direction * (event.shiftKey ? 10 : 1));
      return;
    }
    const value = Number(text.replace(',', '.'));
    if (!type.step || !Number.isFinite(value) || text.trim() === '') return;
    event.preventDefault();
    const next = value + direction * type.step * (event.shiftKey ? 10 : 1);
    setText(String(Number(Math.min(type.maximum ?? next, Math.max(type.minimum ?? next, next)).toFixed(4))));
  };
  const keys = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Enter') {
      event.preventDefault();
      commit(reachOf(event, reach));
    } else if (event.key === 'Escape') {
      event.preventDefault();
      ended.current = true;
      onClose();
    } else if (event.key === 'ArrowUp') stepBy(1, event);
    else if (event.key === 'ArrowDown') stepBy(-1, event);
    else if (event.key === 'Tab' && text !== initial) commit(reach);
  };

  const leave = () => {
    if (ended.current) return;
    ended.current = true;
    // Leaving keeps what can be kept; what was refused has been said and is given up.
    if (text !== initial && !refusal) onLeave(text);
    onClose(true);
  };
  // A press anywhere else may select something else, and the cell is gone before it loses the keyboard.
  const around = useRef<HTMLElement>(null);
  const pressed = useEffectEvent(({ target }: PointerEvent) => {
    if (!around.current?.contains(target as Node)) leave();
  });
  useEffect(() => {
    const press = (event: PointerEvent) => pressed(event);
    document.addEventListener('pointerdown', press, true);
    return () => document.removeEventListener('pointerdown', press, true);
  }, []);

  return (
    <Box ref={around} sx={{ position: 'absolute', top: 2, right: 0, left: 0, zIndex: 3 }}>
      <InputBase
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={keys}
        onBlur={leave}
        inputProps={{ 'aria-label': label, 'aria-invalid': refusal !== undefined, spellCheck: false }}
        sx={{
          width: '100%',
          height: 25,
          fontSize: 12,
          fontWeight: 600,
          bgcolor: raised,
          outline: `2px solid ${refusal ? coral : petrol}`,
          borderRadius: 0.5,
          '& input': { p: 0, textAlign: 'center' },
        }}
      />
      {mixed && type.step !== undefined && !refusal && !means && (
        <Box sx={hint}>For all: a value, or +4, −10% or *0.8 on each. Arrow up and down step each.</Box>
      )}
      {means && (
        <Box role="status" sx={hint}>
          {means}
        </Box>
      )}
      {refusal && (
        <Box
          role="alert"
          sx={{
            position: 'absolute',
            right: 0,
            top: '100%',
            mt: 0.5,
            width: 230,
            p: 1,
            fontSize: 12,
            bgcolor: raised,
            color: coral,
            border: `1px solid ${coral}`,
            borderRadius: 0.5,
            boxShadow: 2,
          }}
        >
          {refusal}
        </Box>
      )}
    </Box>
  );
}
