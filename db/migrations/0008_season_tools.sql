CREATE TABLE `dishes` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`crop_ids` text NOT NULL,
	`note` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `planned` (
	`id` text PRIMARY KEY NOT NULL,
	`year` integer NOT NULL,
	`bed_id` text NOT NULL,
	`crop_id` text NOT NULL,
	`kind` text NOT NULL,
	`started_how` text NOT NULL,
	`start_on` text NOT NULL,
	`plants` integer,
	`row_m` real,
	`area_m_2` real,
	`after` text,
	`made` text,
	`note` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `planned_year` ON `planned` (`year`);--> statement-breakpoint
CREATE TABLE `seed_lots` (
	`id` text PRIMARY KEY NOT NULL,
	`crop_id` text NOT NULL,
	`kind` text NOT NULL,
	`source` text NOT NULL,
	`year` integer NOT NULL,
	`left` real NOT NULL,
	`unit` text NOT NULL,
	`tested_on` text,
	`tested` integer,
	`sprouted` integer,
	`note` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `ticks` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `places` ADD `room_in` text DEFAULT 'litres' NOT NULL;--> statement-breakpoint
ALTER TABLE `places` ADD `tray_litres` real;