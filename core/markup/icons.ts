import {
  ArrowUp,
  ArrowUpToLine,
  Bell,
  BookOpen,
  CalendarDays,
  Camera,
  Car,
  ChevronUp,
  CircleCheck,
  Clock,
  Coffee,
  Compass,
  Eye,
  Footprints,
  Globe,
  Heart,
  Info,
  Leaf,
  Mail,
  Map as MapSign,
  MapPin,
  MessageCircle,
  Moon,
  Mountain,
  Phone,
  Rss,
  ShoppingBag,
  Sparkles,
  Star,
  Sun,
  Telescope,
  Thermometer,
  Ticket,
  Users,
  Video,
} from 'lucide';
import { element, type Markup } from './markup.ts';
import { lookup } from '../lookup.ts';

/** The signs an icon can be: the drawings of the lucide icon set, which is shipped with the application. */
const ICONS = {
  star: { label: 'Star', drawing: Star },
  sparkles: { label: 'Sparkles', drawing: Sparkles },
  moon: { label: 'Moon', drawing: Moon },
  sun: { label: 'Sun', drawing: Sun },
  telescope: { label: 'Telescope', drawing: Telescope },
  compass: { label: 'Compass', drawing: Compass },
  mountain: { label: 'Mountain', drawing: Mountain },
  leaf: { label: 'Leaf', drawing: Leaf },
  thermometer: { label: 'Thermometer', drawing: Thermometer },
  calendar: { label: 'Calendar', drawing: CalendarDays },
  clock: { label: 'Clock', drawing: Clock },
  ticket: { label: 'Ticket', drawing: Ticket },
  users: { label: 'People', drawing: Users },
  heart: { label: 'Heart', drawing: Heart },
  eye: { label: 'Eye', drawing: Eye },
  check: { label: 'Tick', drawing: CircleCheck },
  info: { label: 'Information', drawing: Info },
  bell: { label: 'Bell', drawing: Bell },
  pin: { label: 'Place', drawing: MapPin },
  map: { label: 'Map', drawing: MapSign },
  car: { label: 'Car', drawing: Car },
  foot: { label: 'On foot', drawing: Footprints },
  coffee: { label: 'Cup', drawing: Coffee },
  bag: { label: 'Bag', drawing: ShoppingBag },
  book: { label: 'Book', drawing: BookOpen },
  camera: { label: 'Camera', drawing: Camera },
  film: { label: 'Video', drawing: Video },
  mail: { label: 'Mail', drawing: Mail },
  phone: { label: 'Telephone', drawing: Phone },
  message: { label: 'Message', drawing: MessageCircle },
  feed: { label: 'Feed', drawing: Rss },
  globe: { label: 'Web', drawing: Globe },
  up: { label: 'Up', drawing: ArrowUp },
  'to-top': { label: 'To the top', drawing: ArrowUpToLine },
  above: { label: 'Above', drawing: ChevronUp },
} as const;

export const ICON_OPTIONS = Object.entries(ICONS).map(([value, { label }]) => ({ value, label }));

/** What a sign shows, in a word. */
export const iconLabel = (name: string): string =>
  lookup(ICONS, name as keyof typeof ICONS)?.label ?? ICONS.star.label;

/** An icon as SVG. `label` is read by assistive technology; without one the icon is for the eye only. */
export function iconMarkup(name: string, label = ''): Markup {
  const drawing = lookup(ICONS, name as keyof typeof ICONS)?.drawing ?? Star;
  return element(
    'svg',
    {
      viewBox: '0 0 24 24',
      width: 24,
      height: 24,
      fill: 'none',
      stroke: 'currentColor',
      'stroke-width': 2,
      'stroke-linecap': 'round',
      'stroke-linejoin': 'round',
      ...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': 'true' }),
    },
    ...drawing.map(([tag, attributes]) => element(tag, attributes as Markup['attributes'])),
  );
}
