<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** The entries a change list of sites left in their histories, to be taken back. */
final readonly class SiteChangesUndo
{
    /** @param list<array{site: string, entry: int}> $entries one a site */
    public function __construct(
        #[Assert\Count(min: 1, max: 200, minMessage: 'desk.say-what-undo', maxMessage: 'desk.undo-200-entries-most')]
        #[Assert\All([
            new Assert\Collection([
                'site' => [
                    new Assert\Type('string'),
                    new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id'),
                ],
                'entry' => [new Assert\Type('int'), new Assert\Positive()],
            ]),
        ])]
        public array $entries,
    ) {}
}
