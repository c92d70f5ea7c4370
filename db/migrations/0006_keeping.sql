CREATE TABLE `place_readings` (
	`id` text PRIMARY KEY NOT NULL,
	`place_id` text NOT NULL,
	`at` text NOT NULL,
	`temp_c` real NOT NULL,
	`humidity_pct` real
);
--> statement-breakpoint
CREATE INDEX `place_readings_place` ON `place_readings` (`place_id`,`at`);--> statement-breakpoint
CREATE TABLE `lot_events` (
	`id` text PRIMARY KEY NOT NULL,
	`lot_id` text NOT NULL,
	`at` text NOT NULL,
	`kind` text NOT NULL,
	`mass_g` real,
	`place_id` text,
	`to_lot` text,
	`who` text NOT NULL,
	`cause` text NOT NULL,
	`ready` text,
	`how` text,
	`out_g` real,
	`note` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `lot_events_lot` ON `lot_events` (`lot_id`,`at`);--> statement-breakpoint
ALTER TABLE `places` ADD `temp_min_c` real;--> statement-breakpoint
ALTER TABLE `places` ADD `temp_max_c` real;--> statement-breakpoint
ALTER TABLE `places` ADD `humidity_min` real;--> statement-breakpoint
ALTER TABLE `places` ADD `humidity_max` real;--> statement-breakpoint
ALTER TABLE `places` ADD `light` text;--> statement-breakpoint
ALTER TABLE `places` ADD `air` text;