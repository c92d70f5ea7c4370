CREATE TABLE `lessons` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`words` text NOT NULL,
	`next` text NOT NULL,
	`crop_id` text,
	`planting_id` text,
	`bed_id` text,
	`remind_on` text,
	`state` text NOT NULL
);
