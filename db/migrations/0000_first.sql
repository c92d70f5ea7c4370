CREATE TABLE `containers` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`tare_g` real NOT NULL
);
--> statement-breakpoint
CREATE TABLE `garden` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`place` text NOT NULL,
	`latitude_deg` real NOT NULL,
	`longitude_deg` real NOT NULL,
	`elevation_m` real NOT NULL,
	`time_zone` text NOT NULL,
	`units` text NOT NULL,
	`plot_width_m` real NOT NULL,
	`plot_length_m` real NOT NULL,
	`pinned_now` text,
	`hour_worth` real NOT NULL,
	`round_minutes` real NOT NULL,
	`line_minutes` real NOT NULL
);
--> statement-breakpoint
CREATE TABLE `journal` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`label` text NOT NULL,
	`entries` text NOT NULL,
	`undone_by` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `journal_id_unique` ON `journal` (`id`);--> statement-breakpoint
CREATE INDEX `journal_at` ON `journal` (`at`);--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `trips` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`from_day` text NOT NULL,
	`to_day` text NOT NULL,
	`stand_in` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `windows` (
	`id` text PRIMARY KEY NOT NULL,
	`weekday` integer NOT NULL,
	`starts_at` text NOT NULL,
	`minutes` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `beds` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`shape` text NOT NULL,
	`x_m` real NOT NULL,
	`y_m` real NOT NULL,
	`width_m` real NOT NULL,
	`length_m` real NOT NULL,
	`cover` text NOT NULL,
	`sun_hours` real NOT NULL,
	`night_offset_c` real NOT NULL,
	`note` text NOT NULL,
	`walk_order` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `plantings` (
	`id` text PRIMARY KEY NOT NULL,
	`bed_id` text NOT NULL,
	`crop_id` text NOT NULL,
	`kind` text NOT NULL,
	`started_how` text NOT NULL,
	`started_on` text NOT NULL,
	`plants` integer,
	`row_m` real,
	`area_m_2` real,
	`packet_min_days` integer,
	`packet_max_days` integer,
	`school_id` text NOT NULL,
	`note` text NOT NULL,
	`ended_on` text,
	FOREIGN KEY (`bed_id`) REFERENCES `beds`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `plantings_bed` ON `plantings` (`bed_id`);--> statement-breakpoint
CREATE TABLE `forecasts` (
	`id` text PRIMARY KEY NOT NULL,
	`source` text NOT NULL,
	`issued_on` text NOT NULL,
	`days` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `forecasts_issued` ON `forecasts` (`issued_on`);--> statement-breakpoint
CREATE TABLE `weather_days` (
	`day` text PRIMARY KEY NOT NULL,
	`temp_min_c` real NOT NULL,
	`temp_max_c` real NOT NULL,
	`rain_mm` real NOT NULL,
	`wind_ms` real,
	`gust_ms` real,
	`humidity_pct` real,
	`cloud_pct` real
);
--> statement-breakpoint
CREATE TABLE `checks` (
	`id` text PRIMARY KEY NOT NULL,
	`planting_id` text NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`note` text NOT NULL,
	`readings` text NOT NULL,
	FOREIGN KEY (`planting_id`) REFERENCES `plantings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `checks_planting` ON `checks` (`planting_id`,`at`);--> statement-breakpoint
CREATE TABLE `picks` (
	`id` text PRIMARY KEY NOT NULL,
	`planting_id` text NOT NULL,
	`round_id` text,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`method` text NOT NULL,
	`extent` text NOT NULL,
	`count` integer,
	`gross_g` real,
	`entered` text NOT NULL,
	`tare` text NOT NULL,
	`tops_on` integer NOT NULL,
	`grade` text NOT NULL,
	`estimated` integer NOT NULL,
	`note` text NOT NULL,
	FOREIGN KEY (`planting_id`) REFERENCES `plantings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `picks_planting` ON `picks` (`planting_id`,`at`);--> statement-breakpoint
CREATE INDEX `picks_at` ON `picks` (`at`);--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`value` real NOT NULL,
	`bound` real NOT NULL,
	`kept_g` real NOT NULL,
	`lost_g` real NOT NULL,
	`minutes` real NOT NULL,
	`forecast_id` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `round_lines` (
	`id` text PRIMARY KEY NOT NULL,
	`round_id` text NOT NULL,
	`planting_id` text NOT NULL,
	`take` text NOT NULL,
	`expected_g` real NOT NULL,
	`lost_g` real NOT NULL,
	`minutes` real NOT NULL,
	`why` text NOT NULL,
	FOREIGN KEY (`round_id`) REFERENCES `rounds`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`planting_id`) REFERENCES `plantings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `round_lines_round` ON `round_lines` (`round_id`);--> statement-breakpoint
CREATE INDEX `round_lines_planting` ON `round_lines` (`planting_id`);--> statement-breakpoint
CREATE TABLE `rounds` (
	`id` text PRIMARY KEY NOT NULL,
	`day` text NOT NULL,
	`starts_at` text NOT NULL,
	`status` text NOT NULL,
	`pinned` integer NOT NULL,
	`note` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `rounds_day` ON `rounds` (`day`);