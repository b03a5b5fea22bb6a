import '@fontsource-variable/atkinson-hyperlegible-next';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';

createRoot(document.getElementById('root')!).render(<App />);
