import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** A file that is being imported, or could not be. */
export interface Upload {
  key: string;
  site: string;
  name: string;
  state: 'waits' | 'sent' | 'examined' | 'failed';
  /** The share that has been sent, from 0 to 1. */
  sent: number;
  sentence?: string;
}

export const uploads = createSlice({
  name: 'uploads',
  initialState: [] as Upload[],
  reducers: {
    begun: (state, { payload }: PayloadAction<Upload>) => void state.push(payload),
    progressed(state, { payload: { key, ...more } }: PayloadAction<Partial<Upload> & { key: string }>) {
      const upload = state.find((each) => each.key === key);
      if (upload) Object.assign(upload, more);
    },
    ended: (state, { payload }: PayloadAction<string>) => state.filter(({ key }) => key !== payload),
  },
});
