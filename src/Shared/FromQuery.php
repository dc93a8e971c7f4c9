<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/**
 * On a parameter of a controller: an object made from the query part of the address, by the names of its constructor.
 */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final class FromQuery {}
