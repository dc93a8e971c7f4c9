<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A name with a letter left out, and the name. Made from the directory by `People\NameIndex`, many rows at once. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'name_slip')]
class NameSlip
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 48, options: Charset::CODE)] public readonly string $slip,
        #[ORM\Id] #[ORM\Column(length: 48, options: Charset::CODE)] public readonly string $name,
    ) {}
}
