CREATE TABLE `views` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`query` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `weighings` (
	`id` text PRIMARY KEY NOT NULL,
	`crop_id` text NOT NULL,
	`day` text NOT NULL,
	`what` text NOT NULL,
	`amount` real NOT NULL,
	`mass_g` real NOT NULL
);
--> statement-breakpoint
ALTER TABLE `picks` ADD `part` text DEFAULT 'crop' NOT NULL;--> statement-breakpoint
ALTER TABLE `picks` ADD `purpose` text DEFAULT 'harvest' NOT NULL;--> statement-breakpoint
ALTER TABLE `picks` ADD `condition` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `picks` ADD `minutes` real;--> statement-breakpoint
ALTER TABLE `picks` ADD `left` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `picks` ADD `way` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `picks` ADD `sorted` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `picks` ADD `again_g` real;--> statement-breakpoint
ALTER TABLE `picks` ADD `again_how` text DEFAULT '' NOT NULL;