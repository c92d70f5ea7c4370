ALTER TABLE `lot_events` ADD `until` text;--> statement-breakpoint
ALTER TABLE `picks` ADD `row_done` real;--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_place_readings` (
	`id` text PRIMARY KEY NOT NULL,
	`place_id` text NOT NULL,
	`at` text NOT NULL,
	`temp_c` real NOT NULL,
	`humidity_pct` real,
	FOREIGN KEY (`place_id`) REFERENCES `places`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_place_readings`("id", "place_id", "at", "temp_c", "humidity_pct") SELECT "id", "place_id", "at", "temp_c", "humidity_pct" FROM `place_readings` WHERE "place_id" IN (SELECT "id" FROM `places`);--> statement-breakpoint
DROP TABLE `place_readings`;--> statement-breakpoint
ALTER TABLE `__new_place_readings` RENAME TO `place_readings`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `place_readings_place` ON `place_readings` (`place_id`,`at`);--> statement-breakpoint
CREATE TABLE `__new_planned` (
	`id` text PRIMARY KEY NOT NULL,
	`year` integer NOT NULL,
	`bed_id` text NOT NULL,
	`crop_id` text NOT NULL,
	`kind` text NOT NULL,
	`started_how` text NOT NULL,
	`start_on` text NOT NULL,
	`tray_on` text,
	`plants` integer,
	`row_m` real,
	`area_m_2` real,
	`after` text,
	`made` text,
	`note` text NOT NULL,
	FOREIGN KEY (`bed_id`) REFERENCES `beds`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_planned`("id", "year", "bed_id", "crop_id", "kind", "started_how", "start_on", "tray_on", "plants", "row_m", "area_m_2", "after", "made", "note") SELECT "id", "year", "bed_id", "crop_id", "kind", "started_how", "start_on", "tray_on", "plants", "row_m", "area_m_2", "after", "made", "note" FROM `planned` WHERE "bed_id" IN (SELECT "id" FROM `beds`);--> statement-breakpoint
DROP TABLE `planned`;--> statement-breakpoint
ALTER TABLE `__new_planned` RENAME TO `planned`;--> statement-breakpoint
CREATE INDEX `planned_year` ON `planned` (`year`);