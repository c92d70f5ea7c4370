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

/** The parts of the work in order; the first five are within reach of a thumb. */
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
