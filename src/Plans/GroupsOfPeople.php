<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\Constraints as Assert;

/** Lists of people by their ids, each of two at least. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class GroupsOfPeople extends Assert\Compound
{
    /**
     * @param array<string, mixed> $options
     *
     * @return list<Constraint>
     */
    protected function getConstraints(array $options): array
    {
        return [
            new Assert\Count(max: 300, maxMessage: 'plans.fewer-groups'),
            new Assert\All([
                new Assert\Type('array'),
                new Assert\Count(
                    min: 2,
                    max: 60,
                    minMessage: 'plans.group-2-60',
                    maxMessage: 'plans.group-2-60',
                ),
                new Assert\All([
                    new Assert\Type('string'),
                    new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
                ]),
            ]),
        ];
    }
}
