CREATE TABLE `bed_losses` (
	`id` text PRIMARY KEY NOT NULL,
	`planting_id` text NOT NULL,
	`day` text NOT NULL,
	`cause` text NOT NULL,
	`mass_g` real NOT NULL,
	`note` text NOT NULL,
	FOREIGN KEY (`planting_id`) REFERENCES `plantings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `bed_losses_planting` ON `bed_losses` (`planting_id`,`day`);