<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class SitesFilter
{
    /**
     * @param 'draft'|'open'|'closed'|null $state
     * @param bool                         $archived whether only those are asked for that left the lists
     */
    public function __construct(
        #[Assert\Choice(['run', 'in', 'all'], message: 'desk.say-run-all')] public string $scope = 'run',
        #[Assert\Length(max: 200, maxMessage: 'shared.look-less-200-characters')] public ?string $q = null,
        #[Assert\Length(max: 32)] public ?string $division = null,
        #[Assert\Length(max: 32)] public ?string $term = null,
        #[Assert\Length(max: 32, maxMessage: 'desk.no-such-kind-site')] public ?string $kind = null,
        #[Assert\Choice(['draft', 'open', 'closed'], message: 'desk.site-draft-open-closed')]
        public ?string $state = null,
        public bool $archived = false,
        public ?string $cursor = null,
        #[Assert\Range(notInRangeMessage: 'desk.page-1-200-rows', min: 1, max: 200)] public int $limit = 50,
    ) {}

    /** Whether nothing but the place in the list is asked for. */
    public function isOfAll(): bool
    {
        return 'all' === $this->scope && !$this->archived
            && [] === array_filter(
                [$this->q, $this->division, $this->term, $this->kind, $this->state],
                static fn(?string $each): bool => null !== $each && '' !== $each,
            );
    }
}
