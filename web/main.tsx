import { sure } from '../core/index.ts';
import '@fontsource-variable/atkinson-hyperlegible-next';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';

createRoot(sure(document.getElementById('root'))).render(<App />);
