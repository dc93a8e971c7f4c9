<?php

declare(strict_types=1);

namespace MintDoor\Items;

use Symfony\Component\Validator\Constraints as Assert;

/** All sentences of a site that have a name, as they are to be. One that is left out goes, unless items use it. */
final readonly class NamedListRequest
{
    /** @param list<NamedRequest> $named */
    public function __construct(
        #[Assert\Count(max: 60, maxMessage: 'items.most-names')]
        #[Assert\Valid] public array $named,
    ) {}
}
