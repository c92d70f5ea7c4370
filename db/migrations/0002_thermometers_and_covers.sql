CREATE TABLE `bed_readings` (
	`id` text PRIMARY KEY NOT NULL,
	`bed_id` text NOT NULL,
	`day` text NOT NULL,
	`min_c` real NOT NULL,
	FOREIGN KEY (`bed_id`) REFERENCES `beds`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `bed_readings_bed` ON `bed_readings` (`bed_id`,`day`);--> statement-breakpoint
CREATE TABLE `covers` (
	`id` text PRIMARY KEY NOT NULL,
	`bed_id` text NOT NULL,
	`day` text NOT NULL,
	FOREIGN KEY (`bed_id`) REFERENCES `beds`(`id`) ON UPDATE no action ON DELETE no action
);
