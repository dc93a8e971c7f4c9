<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** A site of schema `ChangeReview`: what a change list comes to in it. */
final readonly class ReviewedSite
{
    /**
     * @param ?int $seats   null where nothing limits them
     * @param int  $held    seats that are held before
     * @param int  $after   seats that are held after
     * @param int  $joining how many people
     * @param int  $leaving how many people
     */
    public function __construct(
        public string $id,
        public string $title,
        public ?int $seats,
        public int $held,
        public int $after,
        public int $joining,
        public int $leaving,
    ) {}
}
