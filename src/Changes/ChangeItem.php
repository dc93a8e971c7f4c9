<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** One line of a change list over sites, as it is asked for. */
final readonly class ChangeItem
{
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id')] public string $site,
        #[Assert\Valid] public LineRequest $line,
        /** What was typed or pasted for it. */
        #[Assert\Length(max: 200, maxMessage: 'changes.shorten-200-characters')] public string $text = '',
    ) {}
}
