import { z } from "zod";

/** Most photos that one look or one pick holds. */
export const MOST_PHOTOS = 6;
/** What a photo's file in the garden's folder is called. */
export const PHOTO_NAME = /^[\w-]{1,60}\.jpg$/;

/** Names of photo files in the garden's folder, in the order they were taken. */
export const photosSchema = z.array(z.string().regex(PHOTO_NAME)).max(MOST_PHOTOS).default([]);
