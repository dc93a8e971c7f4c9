<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Which change lists are listed. */
final readonly class ChangeListFilter
{
    public function __construct(
        #[Assert\Choice(['', 'draft', 'applying', 'applied', 'dropped'], message: 'shared.no-such-state')]
        public string $state = '',
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'shared.not-sites-id')] public string $site = '',
        /** Mine only. */
        public bool $mine = false,
        public string $cursor = '',
    ) {}
}
