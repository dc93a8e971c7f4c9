<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What a platform looks like to its people. */
final readonly class Look
{
    /** Of which a platform takes its mark, and kinds of sites theirs. Drawn by the interface. */
    public const GLYPHS = [
        'anchor',
        'book',
        'bridge',
        'brush',
        'flask',
        'hammer',
        'heart',
        'key',
        'lamp',
        'leaf',
        'note',
        'pen',
        'people',
        'screen',
        'star',
        'sun',
        'tree',
        'wave',
    ];

    /**
     * @param string $mark   one of `GLYPHS`; empty for the program's own
     * @param string $accent colour as `#1f5a4b`; empty for the program's own
     */
    public function __construct(public string $mark = '', public string $accent = '') {}
}
