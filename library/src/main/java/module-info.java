module wildflourish.library { requires wildflourish.core; }
