<?php

declare(strict_types=1);

namespace MintDoor\Groups\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** The groups of a split are computed, or were: by whom it was asked, how far it is, and what came of it. */
#[ORM\Entity]
#[ORM\Table(name: 'group_task')]
#[ORM\Index(columns: ['state', 'beat_at'])]
class GroupTask
{
    public const COMPUTING = 'computing';

    public const COMPUTED = 'computed';

    /** It could not be computed. */
    public const FAILED = 'failed';

    /** @var self::* */
    #[ORM\Column(length: 12, options: Charset::CODE)]
    public string $state = self::COMPUTING;

    /** Which time it is computed: a worker keeps what it came to only if nobody asked again. */
    #[ORM\Column]
    public int $version = 0;

    /** The same seed gives the same groups. */
    #[ORM\Column(length: 32, options: Charset::EXACT)]
    public string $seed = '';

    /** Whose sight of people it is computed with. */
    #[ORM\Column(type: 'id')]
    public string $askedBy = '';

    #[ORM\Column(type: 'instant')]
    public int $askedAt = 0;

    /** Steps that are done, and of how many. */
    #[ORM\Column]
    public int $done = 0;

    #[ORM\Column]
    public int $steps = 0;

    /** When the worker last said that it lives. */
    #[ORM\Column(type: 'instant')]
    public int $beatAt = 0;

    /** Whether the best so far is enough. */
    #[ORM\Column]
    public bool $stops = false;

    /** Whether it is for those who chose no group, and is put in force when it is done. */
    #[ORM\Column(options: ['default' => 0])]
    public bool $settles = false;

    /** @var ?array<string, mixed> as `ComputedGroups` writes it */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $outcome = null;

    public function __construct(
        #[ORM\Id]
        #[ORM\OneToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly GroupSplit $split,
    ) {}

    /** @param string $by id of the person who asks */
    public function begin(string $by, int $now, string $seed, bool $settles = false): void
    {
        $this->settles = $settles;
        $this->state = self::COMPUTING;
        [$this->askedBy, $this->askedAt, $this->beatAt] = [$by, $now, $now];
        $this->seed = $seed;
        $this->done = $this->steps = 0;
        $this->stops = false;
        $this->outcome = null;
        ++$this->version;
    }
}
