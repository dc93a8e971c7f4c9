<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Named;

/** One site in numbers. */
final readonly class NumbersOfSite
{
    /**
     * @param string $kind     code
     * @param string $state    "draft", "open", "closed"
     * @param ?int   $seats    null for no limit
     * @param int    $learners who hold seats
     * @param int    $staff    whoever else is here
     * @param int    $waiting  who wait for a seat or an answer
     * @param ?int   $lately   learners who came lately; null where they are too few to be told
     * @param ?int   $never    learners who never came; null likewise
     * @param bool   $opens    whether whoever asks may open the site
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $kind,
        public Named $division,
        public ?string $term,
        public string $state,
        public ?int $seats,
        public int $learners,
        public int $staff,
        public int $waiting,
        public ?int $lately,
        public ?int $never,
        public bool $opens,
    ) {}
}
