<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Changes\LooksAgain;
use MintDoor\Cohorts\Repository\LinkWorks;

/** Connections of a site look again at whoever was changed there, and at those who waited for a seat. */
final readonly class LooksAgainForLinks implements LooksAgain
{
    public function __construct(private LinkWorks $work) {}

    public function lookAgain(string $site, array $people, int $now): void
    {
        $links = $this->work->linksOf($site);
        if ([] === $links) {
            return;
        }
        $this->work->tryAgain($links, $now);
        [] === $people || $this->work->ask($this->work->belonging($links, $people, $now), $now);
    }
}
