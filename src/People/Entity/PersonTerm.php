<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A folded word that somebody is found by. Made from the directory by `People\NameIndex`, many rows at once. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'person_term')]
#[ORM\Index(name: 'by_person', columns: ['person_id'])]
class PersonTerm
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 48, options: Charset::CODE)] public readonly string $term,
        /** Of the person: whoever bears a word is read by name. */
        #[ORM\Id] #[ORM\Column(length: 164)] public readonly string $sortName,
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
        /** All terms of the person, each led by a blank. */
        #[ORM\Column(length: 250, options: Charset::CODE)]
        public readonly string $names,
    ) {}
}
