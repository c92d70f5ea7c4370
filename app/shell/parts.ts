import {
  Archive,
  BookOpen,
  CalendarRange,
  ChartColumn,
  CloudSun,
  Footprints,
  LayoutGrid,
  ListChecks,
  type LucideIcon,
  Scale,
  Settings,
  Sunrise,
} from "lucide-react";

/** So many parts are within reach of a thumb; the rest stand behind “More”. */
export const WITHIN_REACH = 4;

/** Id of the button that opens the rest. */
export const MORE = "more-parts";

/** The parts of the work in order. */
export const PARTS: { to: string; name: string; icon: LucideIcon; key: string }[] = [
  { to: "/", name: "Today", icon: Sunrise, key: "t" },
  { to: "/walk", name: "Walk", icon: Footprints, key: "w" },
  { to: "/rounds", name: "Rounds", icon: CalendarRange, key: "r" },
  { to: "/picks", name: "Picks", icon: Scale, key: "p" },
  { to: "/keep", name: "Keep", icon: Archive, key: "k" },
  { to: "/jobs", name: "Jobs", icon: ListChecks, key: "j" },
  { to: "/season", name: "Season", icon: ChartColumn, key: "a" },
  { to: "/plot", name: "Plot", icon: LayoutGrid, key: "b" },
  { to: "/weather", name: "Weather", icon: CloudSun, key: "e" },
  { to: "/handbook", name: "Handbook", icon: BookOpen, key: "h" },
  { to: "/settings", name: "Settings", icon: Settings, key: "s" },
];
