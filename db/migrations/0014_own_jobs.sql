CREATE TABLE `job_marks` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`of` text NOT NULL,
	`day` text NOT NULL,
	`at` text NOT NULL,
	`what` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `job_marks_job` ON `job_marks` (`job_id`,`of`,`day`);--> statement-breakpoint
CREATE TABLE `own_jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`words` text NOT NULL,
	`planting_id` text,
	`bed_id` text,
	`lot_id` text,
	`start_on` text NOT NULL,
	`every_days` integer,
	`times` integer,
	`until_on` text,
	`on_frost` integer NOT NULL,
	`dry_leaves` integer NOT NULL,
	`minutes` real NOT NULL,
	`note` text NOT NULL
);
