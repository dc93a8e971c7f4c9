<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** What became of who waited: an item of schema `WaitingAnswers`. */
final readonly class WaitingAnswered
{
    /**
     * @param string $code what was done, or why not
     */
    public function __construct(
        public int $id,
        public string $name,
        public bool $done,
        public string $code,
    ) {}
}
