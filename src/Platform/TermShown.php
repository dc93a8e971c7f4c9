<?php

declare(strict_types=1);

namespace MintDoor\Platform;

/** Schema `Term`. */
final readonly class TermShown
{
    /** @param string $endsOn a day, included */
    public function __construct(
        public string $code,
        public string $name,
        public string $startsOn,
        public string $endsOn,
    ) {}
}
