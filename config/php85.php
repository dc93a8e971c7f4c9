<?php

declare(strict_types=1);

// PHP 8.5 has this function and the framework calls it on boot; older versions get the same answer in two steps.
if (!function_exists('get_error_handler')) {
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(null);
        restore_error_handler();

        return $handler;
    }
}
