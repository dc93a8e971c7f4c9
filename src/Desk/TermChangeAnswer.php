<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ReviewAnswer;

/** Schema `TermChange`: what a change of term comes to. */
final readonly class TermChangeAnswer
{
    /**
     * @param list<TermChangedSite> $sites
     * @param ReviewAnswer          $review   people one by one, those first who stand in the way
     * @param ?int                  $asks     how many lose access now, to be typed; null where they are not many
     */
    public function __construct(
        public array $sites,
        public ReviewAnswer $review,
        public ?int $asks,
        public ?string $changeList,
    ) {}
}
