<?php

declare(strict_types=1);

namespace MintDoor\Intake\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;
use MintDoor\Shared\Instant;
use MintDoor\Sites\Entity\Site;

/** Whom a line that was pasted meant, as somebody of the site's staff chose. */
#[ORM\Entity]
#[ORM\Table(name: 'settled_line')]
class SettledLine
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Site $site,
        /** What the line comes down to. */
        #[ORM\Id] #[ORM\Column(length: 120, options: Charset::EXACT)] public readonly string $gist,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public Person $person,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by', nullable: false)]
        public Person $madeBy,
        #[ORM\Column(type: 'instant')]
        public int $madeAt,
        /** As it was pasted. */
        #[ORM\Column(length: 200)] public string $text,
    ) {}

    public function settle(Person $person, string $text, Person $by, int $at): void
    {
        $this->person = $person;
        $this->text = $text;
        $this->madeBy = $by;
        $this->madeAt = $at;
    }

    /** @return array{gist: string, text: string, person: array{id: string, name: string}, by: string, at: ?string} */
    public function json(): array
    {
        return [
            'gist' => $this->gist,
            'text' => $this->text,
            'person' => ['id' => $this->person->id, 'name' => $this->person->name()],
            'by' => $this->madeBy->name(),
            'at' => Instant::toJson($this->madeAt),
        ];
    }
}
