<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Sites\Question;
use MintDoor\Sites\SiteName;

/** A door one may join or ask at without a key: an item of schema `OpenDoors`. */
final readonly class OpenDoorShown
{
    /**
     * @param string $door id
     * @param string $kind of the site
     * @param bool $asks whether somebody has to say yes
     * @param list<Question> $questions what they want to know who say yes; none for why one asks
     * @param string $question what why one asks means; empty for nothing further
     * @param ?string $untilAt instant
     * @param bool $waits whether the caller waits there
     */
    public function __construct(
        public string $door,
        public SiteName $site,
        public string $kind,
        public string $division,
        public string $term,
        public string $timeZone,
        public bool $asks,
        public array $questions,
        public string $question,
        public string $about,
        public ?string $untilAt,
        public bool $waits,
    ) {}
}
