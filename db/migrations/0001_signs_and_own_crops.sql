CREATE TABLE `own_crops` (
	`id` text PRIMARY KEY NOT NULL,
	`crop` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `practice` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`crop_id` text NOT NULL,
	`readings` text NOT NULL,
	`said` text NOT NULL,
	`truth` text NOT NULL,
	`right` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `garden` ADD `coins` text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE `checks` ADD `photos` text DEFAULT '[]' NOT NULL;