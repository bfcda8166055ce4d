/** How a menu and its items look. */
export const MENU = 'lifted z-50 min-w-52 p-1';

export const ITEM =
  'flex min-h-(--target) w-full cursor-pointer items-center justify-between gap-4 px-2 text-left data-highlighted:bg-chalk-wash data-highlighted:outline-none';
