<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** What brings people to sites by itself, and is to look again once something changed there. */
#[AutoconfigureTag]
interface LooksAgain
{
    /**
     * The roster of a site was changed: seats may be free, and what staff set may be lifted. Runs inside the
     * transaction.
     *
     * @param list<string> $people ids of those who were changed by hand
     */
    public function lookAgain(string $site, array $people, int $now): void;
}
