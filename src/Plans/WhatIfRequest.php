<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\WhatIf;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** What is to be tried out; nothing of it is kept. */
final readonly class WhatIfRequest
{
    /**
     * @param list<PlanSectionRequest> $sections that would take more or fewer people
     * @param list<string>             $hours    ids of sections that would meet when nobody has anything else
     * @param list<MovedHoursRequest>  $moved    sections that would meet at another hour
     */
    public function __construct(
        #[Assert\Count(max: PlanRequest::MOST_SECTIONS, maxMessage: 'plans.fewer-sections')]
        #[Assert\Valid] public array $sections = [],
        #[Assert\Count(max: PlanRequest::MOST_SECTIONS, maxMessage: 'plans.fewer-sections')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section'),
        ])]
        public array $hours = [],
        /** How many places a further section would have, that suits everybody. */
        #[Assert\Range(notInRangeMessage: 'plans.places-0-9999', min: 0, max: 9_999)] public ?int $more = null,
        #[Assert\Count(max: PlanRequest::MOST_SECTIONS, maxMessage: 'plans.fewer-sections')]
        #[Assert\Valid] public array $moved = [],
    ) {}

    /** @param array<string, list<Meeting>> $moved meetings of those of `moved`, by section */
    public function whatIf(array $moved): WhatIf
    {
        $places = [];
        foreach ($this->sections as $each) {
            $places[$each->id] = $each->places;
        }

        return new WhatIf($places, $this->hours, $this->more, $moved);
    }
}
