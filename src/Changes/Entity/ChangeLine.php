<?php

declare(strict_types=1);

namespace MintDoor\Changes\Entity;

use Doctrine\ORM\Mapping as ORM;

/** One line of a change list as it was applied, with what it takes to undo it. */
#[ORM\Entity]
#[ORM\Table(name: 'change_line')]
#[ORM\UniqueConstraint(columns: ['change_list_id', 'position'])]
#[ORM\Index(columns: ['site_id', 'person_id'])]
class ChangeLine
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(type: 'id')] public string $changeListId,
        #[ORM\Column] public int $position,
        #[ORM\Column(type: 'id')] public string $siteId,
        #[ORM\Column(type: 'id')] public string $personId,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])] public string $verb,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])] public string $verdict,
        /** @var array<array-key, mixed> */
        #[ORM\Column(name: 'state_before', type: 'json')] public array $before,
        /** @var array<array-key, mixed> */
        #[ORM\Column(name: 'state_after', type: 'json')] public array $after,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')] public array $notes,
        /** @var list<array<string, mixed>> what was done, as `Core\Changes\Effect`s */
        #[ORM\Column(type: 'json')] public array $effects,
        /** The enrollment's version after it was applied: the order of its lines. */
        #[ORM\Column] public int $versionAfter,
        /** The line it took back. */
        #[ORM\Column(type: 'id', nullable: true)] public ?string $undoes = null,
    ) {}
}
