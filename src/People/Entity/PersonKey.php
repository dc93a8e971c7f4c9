<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/**
 * What pasted names are matched with, `Core\Text\NameKeys`. Made from the directory by `People\NameIndex`, many rows at
 * once.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'person_key')]
#[ORM\Index(name: 'person', columns: ['person_id'])]
class PersonKey
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 64, options: Charset::CODE)] public readonly string $code,
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $divisionId,
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
    ) {}
}
