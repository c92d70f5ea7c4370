CREATE TABLE `dated_windows` (
	`id` text PRIMARY KEY NOT NULL,
	`day` text NOT NULL,
	`starts_at` text,
	`minutes` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `dated_windows_day` ON `dated_windows` (`day`);--> statement-breakpoint
CREATE TABLE `places` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`litres` real NOT NULL,
	`taken_litres` real NOT NULL
);
--> statement-breakpoint
CREATE TABLE `tastes` (
	`id` text PRIMARY KEY NOT NULL,
	`liking` real NOT NULL,
	`weekly_g` real NOT NULL,
	`spared_g` real NOT NULL
);
--> statement-breakpoint
CREATE TABLE `pick_wishes` (
	`id` text PRIMARY KEY NOT NULL,
	`planting_id` text NOT NULL,
	`kind` text NOT NULL,
	`day` text NOT NULL,
	FOREIGN KEY (`planting_id`) REFERENCES `plantings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `pick_wishes_planting` ON `pick_wishes` (`planting_id`);--> statement-breakpoint
CREATE TABLE `treatments` (
	`id` text PRIMARY KEY NOT NULL,
	`planting_id` text NOT NULL,
	`day` text NOT NULL,
	`kind` text NOT NULL,
	`product` text NOT NULL,
	`wait_days` integer NOT NULL,
	`note` text NOT NULL,
	FOREIGN KEY (`planting_id`) REFERENCES `plantings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `treatments_planting` ON `treatments` (`planting_id`,`day`);--> statement-breakpoint
ALTER TABLE `containers` ADD `litres` real;--> statement-breakpoint
ALTER TABLE `containers` ADD `at_hand` integer;--> statement-breakpoint
ALTER TABLE `garden` ADD `pickers` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `garden` ADD `eaters` integer DEFAULT 2 NOT NULL;