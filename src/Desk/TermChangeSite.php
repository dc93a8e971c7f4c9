<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A site whose term changes, and what the one is called that is made like it. */
final readonly class TermChangeSite
{
    /**
     * @param string $title of the new site; as the old one where it is empty
     * @param string $code  short code of the new site; one that is free where it is empty
     */
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id')] public string $id,
        #[Assert\Length(max: 400)] public string $title = '',
        #[Assert\Length(max: 100)] public string $code = '',
    ) {}
}
