<?php

declare(strict_types=1);

namespace MintDoor\Weeks\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** Hours of a section, or of a site as a whole, with the meetings they come to. */
#[ORM\Entity]
#[ORM\Table(name: 'hours')]
#[ORM\Index(columns: ['place_key', 'until_at'])]
class Hours
{
    /** What both make one place (`Place::key()`); nothing where the room is not known. */
    #[ORM\Column(length: 170, options: Charset::EXACT)]
    public string $placeKey = '';

    /** When the first meeting begins, and the last one ends. */
    #[ORM\Column(type: 'instant')]
    public int $fromAt = 0;

    #[ORM\Column(type: 'instant')]
    public int $untilAt = 0;

    /** @var list<list<int|string>> of each meeting: begins, ends; and where one is elsewhere: room, building */
    #[ORM\Column(type: 'json')]
    public array $meetings = [];

    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        /** Null where the whole site meets. */
        #[ORM\ManyToOne]
        public ?Section $section,
        /** Where they stand among the others of the site. */
        #[ORM\Column(type: 'smallint')] public int $place,
        /** @var array<string, mixed> as `HoursCodec` writes it */
        #[ORM\Column(type: 'json')] public array $terms,
    ) {}
}
