<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** To whom somebody wrote. */
final readonly class WrittenAnswer
{
    /**
     * @param int          $queued  how many messages are on their way
     * @param list<string> $without names of those who have no address
     * @param int          $gone    how many of those chosen are not in the site any more
     */
    public function __construct(
        public int $queued,
        public array $without,
        public int $gone,
    ) {}
}
