<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GroupWishes`: what groups are to be like, and what was computed. */
final readonly class WishesAnswer
{
    public function __construct(
        public WishesRequest $asked,
        public ?TaskShown $task,
        public int $version,
    ) {}
}
